<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Train;

/** Reads a rig at many places of one control into columns. */
final class SweepColumns
{
    /** With fewer places than this, cutting the rig in three costs more than it saves. */
    private const WORTH_CUTTING = 8;

    /**
     * @param  list<float>  $places
     * @return array{Columns, MovingPlaces}
     */
    public static function read(Rig $rig, Travel $travel, array $places): array
    {
        return self::isCut($travel, $places) ? self::readTrain($rig, $travel, $places) : self::readEach($rig, $travel, $places);
    }

    /** @param  list<float>  $places */
    public static function isCut(Travel $travel, array $places): bool
    {
        return $travel->kind->movesFocus() && count($places) >= self::WORTH_CUTTING;
    }

    /**
     * @param  list<float>  $places
     * @return array{Columns, MovingPlaces}
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

        return [Columns::ofMany($readings), $drawing];
    }

    /**
     * @param  list<float>  $places
     * @return array{Columns, MovingPlaces}
     */
    private static function readTrain(Rig $rig, Travel $travel, array $places): array
    {
        $axis = Axis::of($rig->with($travel->kind, $travel->part, $places[0]));
        if ($axis->unmodelled) {
            return self::readEach($rig, $travel, $places);
        }
        $train = new Train($axis, $rig, $travel);
        $read = TrainReadings::along($train, $rig, $travel, $places);
        $read->cutByImageCircle($rig, $travel, $places);

        return [new Columns(
            count($places),
            $read->image,
            $read->magnification,
            $read->workingDistanceMm,
            $read->subjectDistanceMm,
            $read->effectiveAperture,
            $read->stopsLost,
            $read->depthOfFieldMm,
            $read->nearMm,
            $read->farMm,
            $read->waveDepthMm,
            $read->airyDiameterMm,
            $read->detailMm,
            $read->entrancePupilMm,
            $read->lightGapDeg,
            array_values($read->cornerBrightness),
            array_values($read->cornerPart),
            self::moments($rig, $travel, $places, $read->endMm),
            $read->stopPart,
        ), MovingPlaces::along($train, $rig, $travel, $read)];
    }

    /**
     * The moment about the mount is a straight line over how far the front has moved.
     *
     * @param  list<float>  $places
     * @param  list<float>  $end  where the moving part ends at each
     * @return list<?float>
     */
    private static function moments(Rig $rig, Travel $travel, array $places, array $end): array
    {
        $at = static function (float $place) use ($rig, $travel): ?float {
            $moved = $rig->with($travel->kind, $travel->part, $place);

            return Balance::aboutMount($moved, Axis::of($moved));
        };
        $last = count($places) - 1;
        $first = $at($places[0]);
        $other = $at($places[$last]);
        $way = $end[$last] - $end[0];
        if ($first === null || $other === null || $way === 0.0) {
            return array_fill(0, count($places), $first);
        }
        $slope = ($other - $first) / $way;

        $from = $end[0];
        $moments = $end;
        foreach ($end as $row => $at) {
            $moments[$row] = $first + $slope * ($at - $from);
        }

        return array_values($moments);
    }
}
