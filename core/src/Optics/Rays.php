<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/**
 * What every reading along the axis is told from, a row for each position of a travel.
 *
 * With y and t the height and slope of the axial ray in front, h and f the heights of axial and field ray at the stop of radius r, and g
 * the slope of the field ray in front: slope |t|, number |h| / 2r, height y, and `(g h - t f) / 2r`, by which a ray through the middle of
 * the stop is steeper in front than there. Lagrange's invariant makes that one number say where the entrance pupil lies: `number /
 * (invariant slope)` from the subject plane, and nothing is singular at infinity. Turned so that slope and number are above 0.
 */
final class Rays
{
    /** @var list<float> 0 = focused at infinity or past it, -1 = no image */
    public array $slope = [];

    /** @var list<float> of the stop, without a converter; 0 or less = nothing known limits the light */
    public array $number = [];

    /** @var list<float> at the front-most metal (reduced), mm */
    public array $height = [];

    /** @var list<float> 0 = telecentric, or no stop */
    public array $invariant = [];

    /** @var list<?float> share of the axial ray in the chief ray; null = there is none */
    public array $chief = [];

    /** @var list<?int> the part that is the stop; -1 = the camera, null = there is none */
    public array $stopPart = [];

    /** The opening that is the stop at every position; -1 = it changes, or there is none. */
    public int $onlyStop = -1;

    /** @var list<float> marked number of the working lens, where a ring changes it; [] = it doesn't */
    public array $marked = [];

    /** @var list<float> front-most metal, mm from the sensor, a converter's length included */
    public array $metalMm = [];

    private function __construct()
    {
    }

    /**
     * Of a rig cut at the part that moves.
     *
     * @param  list<MovingOpening>  $openings  all of the rig
     */
    public static function along(SplitSystem $split, MovingPart $moving, array $openings): self
    {
        $self = new self;
        $self->marked = $moving->marked;
        // What is the same at every position is compared once.
        $still = 0.0;
        $only = -1;
        foreach ($openings as $j => $opening) {
            if ($opening->still && abs($opening->axial[0]) * 0.5 / $opening->radius > $still) {
                $still = abs($opening->axial[0]) * 0.5 / $opening->radius;
                $only = $j;
            }
        }
        $most = array_fill(0, count($moving->y), $still);
        $stops = array_fill(0, count($moving->y), $only);
        foreach ($openings as $j => $opening) {
            if ($opening->still) {
                continue;
            }
            $radii = $opening->radii;
            if ($radii === []) {
                $per = 0.5 / $opening->radius;
                foreach ($opening->axial as $row => $h) {
                    $number = ($h < 0.0 ? -$h : $h) * $per;
                    if ($number > $most[$row]) {
                        $most[$row] = $number;
                        $stops[$row] = $j;
                    }
                }
            } else {
                foreach ($opening->axial as $row => $h) {
                    $number = ($h < 0.0 ? -$h : $h) * 0.5 / $radii[$row];
                    if ($number > $most[$row]) {
                        $most[$row] = $number;
                        $stops[$row] = $j;
                    }
                }
            }
        }
        $self->onlyStop = $split->axis->na === null && count(array_flip($stops)) === 1 ? $stops[0] : -1;
        $self->carry($split, $moving, $openings, $most, array_values($stops));

        return $self;
    }

    /**
     * In front of the moving part everything is carried along, linear.
     *
     * @param  list<MovingOpening>  $openings
     * @param  list<float>  $number
     * @param  list<int>  $stops  which opening is the stop; -1 = none
     */
    private function carry(SplitSystem $split, MovingPart $moving, array $openings, array $number, array $stops): void
    {
        $axials = array_map(static fn (MovingOpening $opening): array => $opening->axial, $openings);
        $fields = array_map(static fn (MovingOpening $opening): array => $opening->field, $openings);
        $parts = array_map(static fn (MovingOpening $opening): int => $opening->part, $openings);
        $a = $split->a;
        $b = $split->b;
        $c = $split->c;
        $d = $split->d;
        $inFront = $split->groupsInFront;
        $on = $split->toFront - $split->toLast;
        $toFront = $split->toFront;
        $perNa = $split->axis->na === null ? 0.0 : 0.5 / $split->axis->na;
        $naPart = $split->axis->naPart;
        $toMetal = $split->toMetal + $split->axis->converterMm;
        $groups = count($split->behindGroupA);
        $planes = $moving->planeY === [] ? array_fill(0, count($stops), $groups === 0 ? 0.0 : $split->behindGroupA[$groups - 1]) : $moving->planeY;
        $ts = $moving->t;
        $fts = $moving->ft;
        $fys = $moving->fy;
        // Written to by index: an element appended costs twice as much.
        $cSlope = $cHeight = $cInvariant = $cMetal = $moving->y;
        $cChief = $cPart = array_fill(0, count($stops), null);
        foreach ($moving->y as $row => $y) {
            $t = $ts[$row];
            $ft = $fts[$row];
            $last = $planes[$row];
            if ($inFront) {
                $last = $a * $y + $b * $t;
                $fy = $fys[$row];
                $slope = $c * $y + $d * $t;
                $ft = $c * $fy + $d * $ft;
                $height = $last + $slope * $on;
                $t = $slope;
            } else {
                $height = $y + $t * $toFront;
            }
            $turned = $t < 0.0;
            // The kind of image, as Image::of() tells it of rays that are not turned.
            if ($turned) {
                $height = -$height;
                $slope = -$t;
                $kind = $last > 0.0 ? ($slope <= Image::PARALLEL ? 0.0 : $slope) : ($slope <= Image::PARALLEL && $last !== 0.0 ? 0.0 : -1.0);
            } else {
                $slope = $t;
                $kind = $last < 0.0 ? ($slope <= Image::PARALLEL ? 0.0 : $slope) : ($last === 0.0 ? -1.0 : 0.0);
            }
            $cSlope[$row] = $kind;
            $cHeight[$row] = $height;
            $cInvariant[$row] = 0.0;
            $cMetal[$row] = $moving->endMm[$row] + $toMetal;
            $j = $stops[$row];
            if ($perNa > 0.0 && $kind > 0.0 && $kind * $perNa > $number[$row]) {
                $number[$row] = $kind * $perNa;
                $cPart[$row] = $naPart;
                $cChief[$row] = -$ft / $t;
            } elseif ($j >= 0) {
                $cPart[$row] = $parts[$j];
                $h = $axials[$j][$row];
                $f = $fields[$j][$row];
                $cChief[$row] = -$f / $h;
                // 1 / 2r is the number over the height.
                $per = $number[$row] / ($h < 0.0 ? -$h : $h);
                $cInvariant[$row] = ($turned === ($h < 0.0) ? $ft * $h - $t * $f : $t * $f - $ft * $h) * $per;
            }
        }
        $this->slope = array_values($cSlope);
        $this->number = $number;
        $this->height = array_values($cHeight);
        $this->invariant = array_values($cInvariant);
        $this->chief = array_values($cChief);
        $this->stopPart = array_values($cPart);
        $this->metalMm = array_values($cMetal);
    }
}
