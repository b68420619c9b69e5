<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Validation\Rule;
use ZincThimble\Core\Search\Ranking;
use ZincThimble\Core\Search\SearchCriteria;

/** The blanks of the sentence that asks what does it, however they come: typed, kept, or out of an archive. */
final class WishBlanks
{
    /** Blanks that take a number; the core knows their ranges. */
    public const NUMBERS = [
        'fieldWidthMm', 'magnification', 'workingDistanceMm', 'subjectDistanceMm', 'leastRoomMm', 'mostStopsLost', 'focusFromMm', 'focusToMm', 'mostMassG',
        'mostLengthMm', 'mostPrice', 'mostMissingPrice', 'leastCorner', 'depthMm', 'detailMm', 'subjectDepthMm',
    ];

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
        return array_fill_keys(self::NUMBERS, ['nullable', 'numeric']) + [
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
        $numbers = [];
        foreach (self::NUMBERS as $name) {
            $value = $valid[$name] ?? null;
            $numbers[$name] = is_numeric($value) ? (float) $value : null;
        }
        $yes = static fn (string $name): ?bool => isset($valid[$name]) ? filter_var($valid[$name], FILTER_VALIDATE_BOOL) : null;
        $support = $valid['support'] ?? null;
        $ranking = $valid['ranking'] ?? null;

        return new SearchCriteria(
            ...$numbers,
            infinity: $yes('infinity') ?? false,
            flat: $yes('flat') ?? false,
            underWater: $yes('underWater') ?? false,
            automatic: $yes('automatic'),
            support: is_string($support) ? $support : null,
            ranking: is_string($ranking) ? Ranking::from($ranking) : Ranking::Ease,
        );
    }
}
