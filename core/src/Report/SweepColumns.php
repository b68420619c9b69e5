<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\MovingOpening;
use ZincThimble\Core\Optics\MovingPart;
use ZincThimble\Core\Optics\Rays;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Reading\Balance;
use ZincThimble\Core\Reading\CornerTable;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/** Reads a rig at many places of one control into columns. */
final class SweepColumns
{
    /** With fewer places than this, cutting the rig in three costs more than it saves. */
    private const WORTH_CUTTING = 8;

    /**
     * @param  list<float>  $positions
     * @param  ?SplitSystem  $split  of the rig cut at the part that moves; null = it is read place by place
     * @return array{ReadingTable, MovingPlaces}
     */
    public static function read(Rig $rig, Travel $travel, array $positions, ?SplitSystem $split): array
    {
        return $split === null ? self::readEach($rig, $travel, $positions) : self::readSplit($split, $rig, $travel, $positions);
    }

    /**
     * The rig cut at the part that moves, with that at its first place; null where cutting isn't possible or not worth it.
     *
     * @param  list<float>  $positions
     */
    public static function split(Rig $rig, Travel $travel, array $positions): ?SplitSystem
    {
        if (! $travel->kind->movesFocus() || count($positions) < self::WORTH_CUTTING) {
            return null;
        }
        $first = $rig->with($travel->kind, $travel->part, $positions[0]);
        $axis = Axis::of($first);

        // Without a lens there is nothing to cut.
        return $axis->unmodelled || $axis->groupPart === [] ? null : new SplitSystem($axis, $first, $travel);
    }

    /**
     * @param  list<float>  $positions
     * @return array{ReadingTable, MovingPlaces}
     */
    private static function readEach(Rig $rig, Travel $travel, array $positions): array
    {
        $readings = [];
        $drawing = new MovingPlaces($travel->part);
        foreach ($positions as $position) {
            $moved = $rig->with($travel->kind, $travel->part, $position);
            $axis = Axis::of($moved);
            $reading = Reading::along($moved, $axis);
            $readings[] = $reading;
            $drawing->add($moved, $axis, $reading);
        }

        return [ReadingTable::ofMany($readings), $drawing];
    }

    /**
     * @param  list<float>  $positions
     * @return array{ReadingTable, MovingPlaces}
     */
    private static function readSplit(SplitSystem $split, Rig $rig, Travel $travel, array $positions): array
    {
        $moving = MovingPart::along($split, $rig, $travel, $positions);
        $openings = MovingOpening::all($split, $moving);
        $rays = Rays::along($split, $moving, $openings);
        $table = ReadingTable::told($rays, $split, $rig);
        $corner = CornerTable::of($openings, $rays, $rig, $split->axis->factor, $travel, $positions);
        $table->cornerBrightness = array_values($corner->brightness);
        $table->cornerPart = array_values($corner->part);
        $table->momentAtMountNm = self::moments($split->axis, $rig, $travel, $positions, $moving->endMm);

        return [$table, MovingPlaces::along($split, $rig, $travel, $moving, $rays)];
    }

    /**
     * The moment about the mount is a straight line over how far the front has moved.
     *
     * @param  Axis  $axis  of the rig at the first place
     * @param  list<float>  $positions
     * @param  list<float>  $end  where the moving part ends at each
     * @return list<?float>
     */
    private static function moments(Axis $axis, Rig $rig, Travel $travel, array $positions, array $end): array
    {
        $first = Balance::aboutMount($rig, $axis);
        $last = count($positions) - 1;
        $way = $end[$last] - $end[0];
        if ($first === null || $way === 0.0) {
            return array_fill(0, count($positions), $first);
        }
        $moved = $rig->with($travel->kind, $travel->part, $positions[$last]);
        $slope = ((float) Balance::aboutMount($moved, Axis::of($moved)) - $first) / $way;

        $from = $end[0];
        $moments = $end;
        foreach ($end as $row => $at) {
            $moments[$row] = $first + $slope * ($at - $from);
        }

        return array_values($moments);
    }
}
