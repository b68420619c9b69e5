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

    /** @return array<string, list<mixed>> what may stand in the blanks */
    public static function rules(): array
    {
        return array_fill_keys(self::NUMBERS, ['nullable', 'numeric']) + [
            'infinity' => ['nullable', 'boolean'], 'automatic' => ['nullable', 'boolean'],
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
            automatic: $yes('automatic'),
            support: is_string($support) ? $support : null,
            ranking: is_string($ranking) ? Ranking::from($ranking) : Ranking::Ease,
        );
    }
}
