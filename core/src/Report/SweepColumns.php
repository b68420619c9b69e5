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
     * @param  list<float>  $places
     * @param  ?SplitSystem  $split  of the rig cut at the part that moves; null = it is read place by place
     * @return array{ReadingTable, MovingPlaces}
     */
    public static function read(Rig $rig, Travel $travel, array $places, ?SplitSystem $split): array
    {
        return $split === null ? self::readEach($rig, $travel, $places) : self::readSplit($split, $rig, $travel, $places);
    }

    /**
     * The rig cut at the part that moves, with that at its first place; null where cutting isn't possible or not worth it.
     *
     * @param  list<float>  $places
     */
    public static function split(Rig $rig, Travel $travel, array $places): ?SplitSystem
    {
        if (! $travel->kind->movesFocus() || count($places) < self::WORTH_CUTTING) {
            return null;
        }
        $first = $rig->with($travel->kind, $travel->part, $places[0]);
        $axis = Axis::of($first);

        return $axis->unmodelled ? null : new SplitSystem($axis, $first, $travel);
    }

    /**
     * @param  list<float>  $places
     * @return array{ReadingTable, MovingPlaces}
     */
    private static function readEach(Rig $rig, Travel $travel, array $places): array
    {
        $readings = [];
        $drawing = new MovingPlaces($travel->part);
        foreach ($places as $place) {
            $moved = $rig->with($travel->kind, $travel->part, $place);
            $axis = Axis::of($moved);
            $reading = Reading::along($moved, $axis);
            $readings[] = $reading;
            $drawing->add($moved, $axis, $reading);
        }

        return [ReadingTable::ofMany($readings), $drawing];
    }

    /**
     * @param  list<float>  $places
     * @return array{ReadingTable, MovingPlaces}
     */
    private static function readSplit(SplitSystem $split, Rig $rig, Travel $travel, array $places): array
    {
        $moving = MovingPart::along($split, $rig, $travel, $places);
        $openings = MovingOpening::all($split, $moving);
        $rays = Rays::along($split, $moving, $openings);
        $table = ReadingTable::told($rays, $split, $rig);
        $corner = CornerTable::of($openings, $rays, $rig, $split->axis->factor, $travel, $places);
        $table->cornerBrightness = array_values($corner->brightness);
        $table->cornerPart = array_values($corner->part);
        $table->momentAtMountNm = self::moments($split->axis, $rig, $travel, $places, $moving->endMm);

        return [$table, MovingPlaces::along($split, $rig, $travel, $moving, $rays)];
    }

    /**
     * The moment about the mount is a straight line over how far the front has moved.
     *
     * @param  Axis  $axis  of the rig at the first place
     * @param  list<float>  $places
     * @param  list<float>  $end  where the moving part ends at each
     * @return list<?float>
     */
    private static function moments(Axis $axis, Rig $rig, Travel $travel, array $places, array $end): array
    {
        $first = Balance::aboutMount($rig, $axis);
        $last = count($places) - 1;
        $way = $end[$last] - $end[0];
        if ($first === null || $way === 0.0) {
            return array_fill(0, count($places), $first);
        }
        $moved = $rig->with($travel->kind, $travel->part, $places[$last]);
        $slope = ((float) Balance::aboutMount($moved, Axis::of($moved)) - $first) / $way;

        $from = $end[0];
        $moments = $end;
        foreach ($end as $row => $at) {
            $moments[$row] = $first + $slope * ($at - $from);
        }

        return array_values($moments);
    }
}
