<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\LinearTrain;
use ZincThimble\Core\Trace\RayColumns;
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

    /**
     * Half-widths at every place, and the input that contributes most to each there.
     *
     * @param  list<float>  $places
     * @return array{array<string, array<int, ?float>>, array<string, array<int, ?UncertainInput>>}
     */
    public static function halfWidths(Rig $rig, Travel $travel, array $places): array
    {
        if (in_array($travel->kind, [TravelKind::Swing, TravelKind::Shift], true) && count($places) > 1) {
            // On the axis nothing moves: what holds at one place holds at all.
            [$halfWidths, $sources] = self::halfWidths($rig, $travel, [$places[0]]);
            foreach ($halfWidths as $name => $column) {
                $halfWidths[$name] = array_fill(0, count($places), $column[0]);
            }
            foreach ($sources as $name => $column) {
                $sources[$name] = array_fill(0, count($places), $column[0]);
            }

            return [$halfWidths, $sources];
        }
        $sums = new HalfWidthSums(count($places));
        $first = $rig->with($travel->kind, $travel->part, $places[0]);
        $train = self::isCut($travel, $places) ? new Train(Axis::of($first), $first, $travel) : null;
        foreach (Uncertainty::inputs($first) as $input) {
            if ($train !== null) {
                self::addCut($sums, $input, $train, $rig, $travel, $places);
            } else {
                foreach ($places as $row => $place) {
                    $sums->addReadings($row, $input, Reading::of($input->up->with($travel->kind, $travel->part, $place)), Reading::of($input->down->with($travel->kind, $travel->part, $place)));
                }
            }
        }

        return [$sums->halfWidths($rig), $sums->sources];
    }

    /** @param  list<float>  $places */
    private static function isCut(Travel $travel, array $places): bool
    {
        return $travel->kind->movesFocus() && count($places) >= self::WORTH_CUTTING;
    }

    /**
     * @param  Train  $train  of the rig itself
     * @param  list<float>  $places
     */
    private static function addCut(HalfWidthSums $sums, UncertainInput $input, Train $train, Rig $rig, Travel $travel, array $places): void
    {
        // What lies behind the moving lens and in front of it is the same whatever its own figures are.
        $own = $travel->kind === TravelKind::Focus && $input->part === $travel->part;
        $up = $own ? $train : new Train(Axis::of($input->up), $input->up, $travel);
        $down = $own ? $train : new Train(Axis::of($input->down), $input->down, $travel);
        $columns = static function (Train $train, Rig $variant) use ($travel, $places): ?RayColumns {
            $line = LinearTrain::of($train, $variant, $travel);
            $lens = $variant->chain[$travel->part];
            if ($line !== null) {
                return RayColumns::ofLines($line, $places);
            }

            return $travel->kind === TravelKind::Focus && $lens instanceof Lens && $train->axis->na === null && ! $train->axis->unmodelled
                ? RayColumns::ofRing($train, $variant, $travel, $lens, $places)
                : null;
        };
        $one = $columns($up, $input->up);
        $other = $columns($down, $input->down);
        if ($one !== null && $other !== null) {
            Shares::add($sums, $input, $one, $other, $places, $up->axis->medium, $up->axis->factor, $rig->blurLimitMm, $up->axis->marked, $down->axis->marked);
        } else {
            $sums->addTrains($input, TrainReadings::along($up, $input->up, $travel, $places, false), TrainReadings::along($down, $input->down, $travel, $places, false));
        }
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
        $read = TrainReadings::along($train, $rig, $travel, $places, true);
        $read->cutByImageCircle($rig, $travel, $places);
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $radius = TrainReadings::frontRadiusMm($rig);
        $spot = 2.44 * $lambda;
        $waves = 4.0 * $lambda * $axis->medium;
        $effective = $read->effectiveAperture;
        $distances = $read->workingDistanceMm;
        $images = $read->image;
        $wave = $airy = $detail = $gap = [];
        foreach ($read->magnification as $row => $m) {
            $n = $effective[$row];
            $image = $images[$row];
            $airy[] = $n === null ? null : $spot * $n;
            if ($image === Image::Real) {
                $distance = $distances[$row];
                $gap[] = $distance === null || $distance < 0.0 ? null : atan2($distance, $radius) * 180.0 / M_PI;
                if ($n !== null && $m !== null) {
                    $ratio = $n / $m;
                    $wave[] = $waves * $ratio * $ratio;
                    $detail[] = 0.5 * $spot * $ratio;
                } else {
                    $wave[] = $detail[] = null;
                }
            } else {
                $gap[] = $image === Image::AtInfinity ? 90.0 : null;
                $wave[] = $detail[] = null;
            }
        }

        return [new Columns(
            count($places),
            $read->image,
            $read->magnification,
            $read->workingDistanceMm,
            $read->subjectDistanceMm,
            $read->effectiveAperture,
            $read->stopsLost,
            $read->nearMm,
            $read->farMm,
            $wave,
            $airy,
            $detail,
            $read->entrancePupilMm,
            $gap,
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
        $moments = [];
        foreach ($end as $at) {
            $moments[] = $first + $slope * ($at - $from);
        }

        return $moments;
    }
}
