<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\Frame;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/**
 * What a person can open beside the strips, at every place of a control: extension, image circle, moment about the foot, the focal
 * length of all glass together, and what swing and shift do.
 *
 * Over a length, or the ring of a lens that moves as a whole, each of them is a straight line or doesn't change; so both ends and two
 * places between are read, and where these four lie on one line the rest lies there too. Where they don't, every place is read.
 */
final class Beside
{
    public const READINGS = ['extensionMm', 'imageCircleMm', 'momentAtFootNm', 'combinedFocalLengthMm', 'planeTiltDeg', 'fieldMovesMm'];

    /** Width of a full frame, mm. */
    private const FULL_MM = 36.0;

    private const STRAIGHT = 1e-9;

    /** @return array{extensionMm: ?float, imageCircleMm: ?float, momentAtFootNm: ?float, combinedFocalLengthMm: ?float, planeTiltDeg: ?float, fieldMovesMm: ?float} of a rig as it is set */
    public static function of(Rig $rig, Axis $axis, Reading $reading): array
    {
        $movements = BellowsMovements::of($rig, $axis, $reading->magnification);

        return [
            'extensionMm' => $reading->extensionMm,
            'imageCircleMm' => $reading->imageCircleMm,
            'momentAtFootNm' => $reading->momentAtFootNm,
            'combinedFocalLengthMm' => self::combinedFocalLengthMm($axis),
            'planeTiltDeg' => $movements?->planeTiltDeg,
            'fieldMovesMm' => $movements?->fieldMovesMm,
        ];
    }

    /**
     * Focal length of everything in front of the camera together, mm: a bundle that leaves the sensor parallel, 1 mm high, is bent by 1/f.
     *
     * @return ?float null = nothing bends it, or it ends in water, where a focal length is another
     */
    public static function combinedFocalLengthMm(Axis $axis): ?float
    {
        return $axis->unmodelled || $axis->medium !== 1.0 || abs($axis->fieldT) < 1e-12 ? null : -$axis->factor / $axis->fieldT;
    }

    /**
     * At what magnification a full 36 x 24 mm frame would show the same width.
     *
     * @return ?float null = no image
     */
    public static function onFullFrame(?float $magnification, Frame $frame): ?float
    {
        return $magnification === null ? null : $magnification * self::FULL_MM / $frame->widthMm;
    }

    /**
     * @param  list<float>  $positions  rising
     * @return array<string, list<?float>> by reading
     */
    public static function along(Rig $rig, Travel $travel, array $positions): array
    {
        $last = count($positions) - 1;
        $read = $axes = [];
        $axis = static function (int $row) use ($rig, $travel, $positions, &$axes): Axis {
            return $axes[$row] ??= Axis::of($rig->with($travel->kind, $travel->part, $positions[$row]));
        };
        $at = static function (int $row) use ($rig, $travel, $positions, $axis, &$read): array {
            if (! isset($read[$row])) {
                $set = $rig->with($travel->kind, $travel->part, $positions[$row]);
                $read[$row] = self::of($set, $axis($row), Reading::along($set, $axis($row)));
            }

            return $read[$row];
        };
        $columns = [];
        foreach (self::READINGS as $name) {
            // A focal length is in the trace already: a lens with moving elements has another one at every place of its ring.
            $value = $name === 'combinedFocalLengthMm' ? static fn (int $row): ?float => self::combinedFocalLengthMm($axis($row)) : static fn (int $row): ?float => $at($row)[$name];
            $columns[$name] = self::line($positions, $last, $value) ?? array_map($value, array_keys($positions));
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

        if ($from === $to) {
            return array_fill(0, $last + 1, $from);
        }

        return array_map(static fn (float $position): ?float => $from === null || $to === null ? null : ($span > 0.0 ? $from + ($to - $from) * ($position - $positions[0]) / $span : $from), $positions);
    }
}
