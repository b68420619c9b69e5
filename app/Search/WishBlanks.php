<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Validation\Rule;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\SearchCriteria;

/** The blanks of the sentence that asks what does it, however they come: typed, kept, or out of an archive. */
final class WishBlanks
{
    /** Blanks that name parts of the kit. */
    public const OF_THE_KIT = ['cameras', 'with', 'without'];

    /** Rows of the kit, with commas between. */
    private const PARTS = ['nullable', 'string', 'regex:/^[1-9][0-9]{0,12}(,[1-9][0-9]{0,12}){0,39}$/'];

    /**
     * @param  array<string, mixed>  $valid  blanks that have been validated
     * @return list<int> rows that are named in one of `cameras`, `with`, `without`
     */
    public static function parts(array $valid, string $name): array
    {
        $value = $valid[$name] ?? null;

        return is_string($value) && $value !== '' ? array_map(intval(...), explode(',', $value)) : [];
    }

    /** @return array<string, list<mixed>> what may stand in the blanks */
    public static function rules(): array
    {
        return array_fill_keys(SearchCriteria::NUMBERS, ['nullable', 'numeric']) + [
            'infinity' => ['nullable', 'boolean'], 'flat' => ['nullable', 'boolean'], 'underWater' => ['nullable', 'boolean'],
            'cameras' => self::PARTS, 'with' => self::PARTS, 'without' => self::PARTS,
            'automatic' => ['nullable', 'boolean'],
            'support' => ['nullable', 'string', Rule::in(['hand', 'braced', 'table'])], 'ranking' => ['bail', 'nullable', 'string', Rule::enum(Ranking::class)],
        ];
    }

    /**
     * @param  array<string, mixed>  $valid  blanks that have been validated
     *
     * @throws \ZincThimble\Core\Gear\InvalidFigure names the blank that can't be so
     */
    public static function wanted(array $valid): SearchCriteria
    {
        $blanks = array_filter($valid, static fn (mixed $value): bool => $value !== null && $value !== '');
        foreach (SearchCriteria::NUMBERS as $name) {
            if (is_numeric($blanks[$name] ?? null)) {
                $blanks[$name] = (float) $blanks[$name];
            }
        }
        foreach (['infinity', 'flat', 'underWater', 'automatic'] as $name) {
            if (isset($blanks[$name])) {
                $blanks[$name] = filter_var($blanks[$name], FILTER_VALIDATE_BOOL);
            }
        }

        return SearchCriteria::from(new Values($blanks));
    }
}
