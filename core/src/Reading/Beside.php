<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/**
 * What a person can open beside the strips, at every place of a control: extension, image circle, moment about the foot.
 *
 * Over a length, or the ring of a lens that moves as a whole, each of them is a straight line or doesn't change; so both ends and two
 * places between are read, and where these four lie on one line the rest lies there too. Where they don't, every place is read.
 */
final class Beside
{
    public const READINGS = ['extensionMm', 'imageCircleMm', 'momentAtFootNm'];

    private const STRAIGHT = 1e-9;

    /**
     * @param  list<float>  $positions  rising
     * @return array<string, list<?float>> by reading
     */
    public static function along(Rig $rig, Travel $travel, array $positions): array
    {
        $last = count($positions) - 1;
        $read = [];
        $at = static function (int $row) use ($rig, $travel, $positions, &$read): Reading {
            return $read[$row] ??= Reading::of($rig->with($travel->kind, $travel->part, $positions[$row]));
        };
        $columns = [];
        foreach (self::READINGS as $name) {
            $columns[$name] = self::line($positions, $last, static fn (int $row): ?float => $at($row)->{$name})
                ?? array_map(static fn (int $row): ?float => $at($row)->{$name}, array_keys($positions));
        }

        return $columns;
    }

    /**
     * @param  list<float>  $positions
     * @param  \Closure(int): ?float  $value
     * @return list<?float>|null null = no straight line
     */
    private static function line(array $positions, int $last, \Closure $value): ?array
    {
        $from = $value(0);
        $to = $value($last);
        $span = $positions[$last] - $positions[0];
        foreach ([intdiv($last, 3), intdiv($last, 2)] as $row) {
            $here = $value($row);
            if (($here === null) !== ($from === null) || ($to === null) !== ($from === null)) {
                return null;
            }
            if ($here !== null && $from !== null && $to !== null) {
                $there = $span > 0.0 ? $from + ($to - $from) * ($positions[$row] - $positions[0]) / $span : $from;
                if (abs($here - $there) > self::STRAIGHT * max(1.0, abs($here))) {
                    return null;
                }
            }
        }

        return array_map(static fn (float $position): ?float => $from === null || $to === null ? null : ($span > 0.0 ? $from + ($to - $from) * ($position - $positions[0]) / $span : $from), $positions);
    }
}
