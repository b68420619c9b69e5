<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/** Which figures of a lens are guesses still, after somebody changed it: one that they changed is known. */
final class Guesses
{
    /**
     * @param  array<mixed>  $before  fields of the lens
     * @param  array<string, mixed>  $after
     * @return array<string, mixed> the fields after, without the guesses that have ended
     */
    public static function left(array $before, array $after): array
    {
        $stations = is_array($after['stations'] ?? null) ? $after['stations'] : [];
        $old = is_array($before['stations'] ?? null) ? $before['stations'] : [];
        foreach ($stations as $i => $station) {
            if (is_array($station)) {
                // What a station leaves out, the lens says.
                $stations[$i] = self::kept((is_array($old[$i] ?? null) ? $old[$i] : []) + $before, $station, $station + $after);
            }
        }
        $after = self::kept($before, $after, $after);

        return $stations === [] ? $after : ['stations' => $stations] + $after;
    }

    /**
     * @param  array<mixed>  $before
     * @param  array<mixed>  $after
     * @param  array<mixed>  $whole  with what it leaves out
     * @return array<string, mixed>
     */
    private static function kept(array $before, array $after, array $whole): array
    {
        $guessed = is_array($after['guessed'] ?? null) ? $after['guessed'] : [];
        // What was known before is not guessed again.
        $guessed = array_intersect_key($guessed, is_array($before['guessed'] ?? null) ? $before['guessed'] : []);
        $left = array_filter($guessed, static fn (int|string $field): bool => self::figure($before, (string) $field) === self::figure($whole, (string) $field), ARRAY_FILTER_USE_KEY);
        /** @var array<string, mixed> $rest */
        $rest = array_diff_key($after, ['guessed' => 0]);

        return $left === [] ? $rest : $rest + ['guessed' => $left];
    }

    /** @param  array<mixed>  $of */
    private static function figure(array $of, string $field): ?float
    {
        foreach (explode('.', $field) as $step) {
            $of = is_array($of) ? $of[$step] ?? null : null;
        }

        return is_int($of) || is_float($of) ? (float) $of : null;
    }
}
