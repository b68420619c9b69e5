<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * A rig cut at the part that moves, whose every ray height and slope is a straight line over the place of that part:
 * `value = c0 + c1 * place`. True of any length, and of the ring of a lens that moves as a whole (its focal length stays).
 *
 * @internal to PerturbedRays; SplitSystem is where the cut is explained
 */
final class StraightRays
{
    /** Axial ray where the front-most metal is (reduced): height. */
    public float $y0 = 0.0;

    public float $y1 = 0.0;

    /** Slopes in front of everything: axial and field. */
    public float $t0 = 1.0;

    public float $t1 = 0.0;

    public float $g0 = 0.0;

    public float $g1 = 0.0;

    /** Axial height at the last principal plane: what tells a real image from none. */
    public float $l0 = 0.0;

    public float $l1 = 0.0;

    /** Front-most metal, mm from the sensor, a converter's length included. */
    public float $s0 = 0.0;

    public float $s1 = 0.0;

    /** @var list<float> openings: axial height */
    public array $h0 = [];

    /** @var list<float> */
    public array $h1 = [];

    /** @var list<float> field height */
    public array $f0 = [];

    /** @var list<float> */
    public array $f1 = [];

    /** @var list<float> clear radius */
    public array $radius = [];

    /**
     * Which of them is the numerical aperture of an objective: as an opening it is as wide as NA, and the rays stand as high there as
     * they are steep in front, so that its number is `M / 2 NA`; -1 = none.
     */
    public int $objective = -1;

    private function __construct()
    {
    }

    /** Null where something bends: an internally focusing lens, a lens that shows its effective number. */
    public static function of(SplitSystem $split, Rig $rig, Travel $travel): ?self
    {
        $p = $travel->part;
        $part = $rig->chain[$p];
        $lens = $travel->kind === TravelKind::Focus && $part instanceof Lens ? LensModel::of($rig->lenses[$p], $rig->conditions->simpleAperture) : null;
        if ($lens !== null && ($lens->bends || $lens->showsEffective)) {
            return null;
        }
        $linear = new self;
        foreach ($split->behindR as $j => $radius) {
            $linear->open($split->behindA[$j], 0.0, $split->behindF[$j], 0.0, $radius);
        }
        $y = $split->y;
        $t = $split->t;
        $fy = $split->fy;
        $ft = $split->ft;
        if ($lens === null) {
            if ($split->ownRadius > 0.0) {
                $linear->open($y, 0.0, $fy, 0.0, $split->ownRadius);
                $linear->open($y, $t, $fy, $ft, $split->ownRadius);
            }
            $groups = count($split->behindGroupA);
            $linear->l0 = $groups === 0 ? 0.0 : $split->behindGroupA[$groups - 1];

            return $linear->inFront($split, [$y, $t, $t, 0.0], [$fy, $ft, $ft, 0.0], $split->rear, 1.0);
        }
        $f = $lens->focalLength(0.0);
        $grows = $lens->rim1;
        $a = $lens->a(0.0);
        $b = $lens->b(0.0);
        $pupil = $lens->pupil0;
        // From where the part begins to its first principal plane, and from its last one to its front.
        [$way0, $way1] = $part->reversed ? [$lens->rim0 - $b, 0.0] : [$a, $grows];
        [$on0, $on1] = $part->reversed ? [$a + $lens->protrusion, $grows] : [$lens->rim0 - $b, 0.0];
        $n = $rig->markedAperture($p);
        if ($n !== null) {
            $at = $way0 - $f * ($part->reversed ? 1.0 - 1.0 / $pupil : 1.0 - $pupil);
            $linear->open($y + $t * $at, $t * $way1, $fy + $ft * $at, $ft * $way1, ($part->reversed ? $f : $pupil * $f) / (2.0 * $n));
        }
        $glass = $lens->frontGlass;
        if ($glass !== null && $part->reversed) {
            $linear->open($y, 0.0, $fy, 0.0, $glass / 2.0);
        }
        $axial = self::through($y, $t, $f, $way0, $way1, $on0, $on1);
        $field = self::through($fy, $ft, $f, $way0, $way1, $on0, $on1);
        if ($glass !== null && ! $part->reversed) {
            $linear->open($axial[0], $axial[1], $field[0], $field[1], $glass / 2.0);
        }
        $linear->l0 = $y + $t * $way0;
        $linear->l1 = $t * $way1;

        return $linear->inFront($split, $axial, $field, $split->rear + $lens->rim0 + ($part->reversed ? $lens->protrusion : 0.0), $grows);
    }

    /**
     * A ray through a lens that moves as a whole: height and slope where the lens ends, a line each.
     *
     * @return array{float, float, float, float} height, its change; slope, its change
     */
    private static function through(float $y, float $t, float $f, float $way0, float $way1, float $on0, float $on1): array
    {
        $last0 = $y + $t * $way0;
        $last1 = $t * $way1;
        $slope0 = $t - $last0 / $f;
        $slope1 = -$last1 / $f;

        // Either the way to the lens or the way on from it changes, never both: the product has no square.
        return [$last0 + $slope0 * $on0, $last1 + $slope0 * $on1 + $slope1 * $on0, $slope0, $slope1];
    }

    /**
     * @param  array{float, float, float, float}  $axial
     * @param  array{float, float, float, float}  $field
     */
    private function inFront(SplitSystem $split, array $axial, array $field, float $end0, float $end1): self
    {
        [$y0, $y1, $t0, $t1] = $axial;
        [$fy0, $fy1, $ft0, $ft1] = $field;
        foreach ($split->radius as $j => $radius) {
            $alpha = $split->alpha[$j];
            $beta = $split->beta[$j];
            $this->open($alpha * $y0 + $beta * $t0, $alpha * $y1 + $beta * $t1, $alpha * $fy0 + $beta * $ft0, $alpha * $fy1 + $beta * $ft1, $radius);
        }
        if ($split->groupsInFront) {
            $this->l0 = $split->a * $y0 + $split->b * $t0;
            $this->l1 = $split->a * $y1 + $split->b * $t1;
            $this->t0 = $split->c * $y0 + $split->d * $t0;
            $this->t1 = $split->c * $y1 + $split->d * $t1;
            $this->g0 = $split->c * $fy0 + $split->d * $ft0;
            $this->g1 = $split->c * $fy1 + $split->d * $ft1;
            $on = $split->toFront - $split->toLast;
            $this->y0 = $this->l0 + $this->t0 * $on;
            $this->y1 = $this->l1 + $this->t1 * $on;
        } else {
            [$this->t0, $this->t1, $this->g0, $this->g1] = [$t0, $t1, $ft0, $ft1];
            $this->y0 = $y0 + $t0 * $split->toFront;
            $this->y1 = $y1 + $t1 * $split->toFront;
        }
        $na = $split->axis->na;
        if ($na !== null) {
            $this->objective = count($this->radius);
            $this->open($this->t0, $this->t1, $this->g0, $this->g1, $na);
        }
        $this->s0 = $end0 + $split->toMetal + $split->axis->converterMm;
        $this->s1 = $end1;

        return $this;
    }

    private function open(float $h0, float $h1, float $f0, float $f1, float $radius): void
    {
        $this->h0[] = $h0;
        $this->h1[] = $h1;
        $this->f0[] = $f0;
        $this->f1[] = $f1;
        $this->radius[] = $radius;
    }

    /** A place this near to a turning, as a share of the travel, is looked at by itself. */
    private const NEAR = 1e-9;

    /**
     * Rows over which the kind of image and the stop stay the same: from one up to but not with another.
     *
     * @param  list<float>  $positions  rising
     * @return list<array{int, int}>
     */
    public function stretches(array $positions): array
    {
        $last = count($positions) - 1;
        $way = $positions[$last] - $positions[0];
        $cuts = $this->turnings($positions[0], $positions[$last]);
        // Where a ray leaves parallel is a stretch, not a point.
        $slack = self::NEAR * $way + ($this->t1 === 0.0 ? 0.0 : 2.0 * Image::PARALLEL / abs($this->t1));
        sort($cuts);
        $stretches = [];
        $row = 0;
        foreach ($cuts as $cut) {
            $end = $row;
            while ($end <= $last && $positions[$end] < $cut - $slack) {
                $end++;
            }
            if ($end > $row) {
                $stretches[] = [$row, $end];
                $row = $end;
            }
            while ($row <= $last && $positions[$row] <= $cut + $slack) {
                $stretches[] = [$row, $row + 1];
                $row++;
            }
        }
        if ($row <= $last) {
            $stretches[] = [$row, $last + 1];
        }

        return $stretches;
    }

    /**
     * Places between two others, or just beside them, at which something changes sign, or the stop may pass from one opening to
     * another: between neighbours of these the kind of image and the stop are the same everywhere.
     *
     * @return list<float> not in order
     */
    private function turnings(float $from, float $to): array
    {
        // What changes sign, as `c0 + c1 place`.
        $lines = [[$this->t0, $this->t1], [$this->l0, $this->l1]];
        foreach ($this->radius as $a => $ra) {
            $h0 = $this->h0[$a];
            $h1 = $this->h1[$a];
            $lines[] = [$h0, $h1];
            for ($b = 0; $b < $a; $b++) {
                $rb = $this->radius[$b];
                $lines[] = [$h0 * $rb - $this->h0[$b] * $ra, $h1 * $rb - $this->h1[$b] * $ra];
                $lines[] = [$h0 * $rb + $this->h0[$b] * $ra, $h1 * $rb + $this->h1[$b] * $ra];
            }
        }
        // A place of rest may stand right at such a turning; rounding must not hide that.
        $margin = 1e-6 * ($to - $from);
        $from -= $margin;
        $to += $margin;
        $found = [];
        foreach ($lines as [$c0, $c1]) {
            $at = $c1 === 0.0 ? $from : -$c0 / $c1;
            if ($at > $from && $at < $to) {
                $found[] = $at;
            }
        }

        return $found;
    }

    /**
     * What readings are made from about a place, as far as the kind of image and the stop stay the same: pairs of a number and its
     * change. The axial ray's slope in front (0 = focused at infinity or past it, -1 = no image); the number of the stop without a
     * converter, `|h| / 2r` (0 or less = nothing known limits the light); the axial ray at the front-most metal (reduced), mm; and
     * `(g h - t f) / 2r`: g, t the slopes of field and axial ray in front, h, f their heights at the stop of radius r. That is what a
     * ray through the middle of the stop is steeper in front than there (Lagrange's invariant), so it is a straight line too. Turned
     * so that slope and number are above 0.
     *
     * @return array{float, float, float, float, float, float, float, float}
     */
    public function about(float $position): array
    {
        $slope = $this->t0 + $this->t1 * $position < 0.0 ? -1.0 : 1.0;
        $image = Image::of($this->l0 + $this->l1 * $position, $this->t0 + $this->t1 * $position);
        [$t0, $t1] = match ($image) {
            Image::Real => [$this->t0 * $slope, $this->t1 * $slope],
            Image::AtInfinity => [0.0, 0.0],
            Image::None => [-1.0, 0.0],
        };
        $n0 = $n1 = $k0 = $k1 = 0.0;
        $stop = $this->stopAt($position, $image);
        if ($stop >= 0) {
            $h0 = $this->h0[$stop];
            $h1 = $this->h1[$stop];
            $f0 = $this->f0[$stop];
            $f1 = $this->f1[$stop];
            $per = ($h0 + $h1 * $position < 0.0 ? -0.5 : 0.5) / $this->radius[$stop];
            $n0 = $h0 * $per;
            $n1 = $h1 * $per;
            // Telecentric behind an objective: height and slope are one there.
            $per = $stop === $this->objective ? 0.0 : $per * $slope;
            $k0 = ($this->g0 * $h0 - $this->t0 * $f0) * $per;
            $k1 = ($this->g0 * $h1 + $this->g1 * $h0 - $this->t0 * $f1 - $this->t1 * $f0) * $per;
        }

        return [$t0, $t1, $n0, $n1, $this->y0 * $slope, $this->y1 * $slope, $k0, $k1];
    }

    /** The opening that is the stop at a place; -1 = there is none. */
    private function stopAt(float $position, Image $image): int
    {
        $most = 0.0;
        $stop = -1;
        $objective = $image === Image::Real ? -1 : $this->objective;
        foreach ($this->radius as $j => $radius) {
            if ($j === $objective) {
                // Without an image its aperture limits nothing.
                continue;
            }
            $number = abs($this->h0[$j] + $this->h1[$j] * $position) / $radius;
            if ($number > $most) {
                $most = $number;
                $stop = $j;
            }
        }

        return $stop;
    }
}
