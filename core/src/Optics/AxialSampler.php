<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * The axial ray alone, many times over, with some travels moved: what range and solving need, without laying the rig
 * out anew. Agrees with Axis to rounding (a property test holds it to that).
 *
 * Over a length, or the ring of a lens that moves as a whole, heights and slopes are straight lines; over the ring of another lens,
 * whose power 1/f(s) is a straight line, they are cubics divided by it. So with one travel a few traces say what every place does,
 * and with two straight ones too; anything else is traced step by step.
 */
final class AxialSampler
{
    /** @var list<AxialStep> */
    private array $steps = [];

    private float $converterMm = 0.0;

    private float $factor = 1.0;

    private float $medium = 1.0;

    /** Metal length of what is reduced differently from metal: port and wet lenses, real less reduced. */
    private float $realMore = 0.0;

    private bool $unmodelled = false;

    /** @var list<float>|null four coefficients each of slope, height at the last principal plane, height and place in front; [] = there are none, null = not asked for yet */
    private ?array $curves = null;

    /** Power of the lens that the one travel bends, at infinity and its change; 1 and 0 = none. */
    private float $phi = 1.0;

    private float $phiWay = 0.0;

    /** Outcome of the last sample: slope in front, and the readings. */
    public float $t = 0.0;

    public Image $image = Image::None;

    public float $magnification = 0.0;

    public float $workingDistanceMm = 0.0;

    public float $subjectDistanceMm = 0.0;

    /** @var list<int> parts whose length travels say, that the steps have not come to yet */
    private array $still = [];

    /**
     * Steps from a rig that is laid out: groups where they stand, but for what the travels move.
     *
     * @param  list<Travel>  $travels  the ones that samples move
     * @param  ?int  $without  a part to leave out
     * @param  list<int>  $within  parts whose length a travel further back counts along with its own
     * @param  ?Axis  $axis  of the rig, where it is laid out already
     */
    public function __construct(Rig $rig, private readonly array $travels, ?int $without = null, array $within = [], ?Axis $axis = null)
    {
        $axis ??= Axis::of($rig, $without);
        $this->medium = $axis->medium;
        $this->factor = $axis->factor;
        $this->converterMm = $axis->converterMm;
        $this->unmodelled = $axis->unmodelled;
        $this->realMore = $axis->front - $axis->frontOptical;
        $lengths = $rings = [];
        foreach ($travels as $at => $travel) {
            if ($travel->kind === TravelKind::Focus) {
                $rings[$travel->part] = $at;
            } elseif ($travel->kind === TravelKind::Length) {
                $lengths[$travel->part] = $at;
            }
        }
        $this->still = [...array_keys($lengths), ...$within];
        sort($this->still);
        $z = 0.0;
        foreach ($axis->groupPart as $k => $part) {
            $ring = $rings[$part] ?? null;
            $this->air($rig, ($ring === null ? $axis->zi[$k] : $axis->rearMm[$part]) - $z, $part, $lengths);
            if ($ring === null) {
                $this->steps[] = new AxialStep(AxialStep::THIN, -1, $axis->phi[$k], $axis->zo[$k] - $axis->zi[$k], $axis->scale[$k]);
                $z = $axis->zo[$k];
            } else {
                $lens = $rig->chain[$part];
                $model = LensModel::of($rig->lenses[$part]);
                $this->steps[] = new AxialStep(AxialStep::LENS, $ring, $model->phi0, lens: $model, tip: $lens instanceof Lens && $lens->reversed ? $model->protrusion : -1.0);
                $z = $axis->frontMm[$part];
            }
        }
        $this->air($rig, $axis->frontOptical - $z, PHP_INT_MAX, $lengths);
    }

    /**
     * Air up to a part: what stands still, and what a travel makes longer or shorter.
     *
     * @param  array<int, int>  $lengths  which travel says the length of a part
     */
    private function air(Rig $rig, float $length, int $before, array $lengths): void
    {
        while ($this->still !== [] && $this->still[0] < $before) {
            $part = array_shift($this->still);
            $length -= $rig->lengthMm($part);
            if (isset($lengths[$part])) {
                $this->steps[] = new AxialStep(AxialStep::AIR, $lengths[$part], 0.0);
            }
        }
        if ($length !== 0.0) {
            $this->steps[] = new AxialStep(AxialStep::AIR, -1, $length);
        }
    }

    /** @param  array<int, float>  $at a value for each travel given to the constructor */
    public function sample(array $at): void
    {
        $c = $this->curves ?? $this->curves();
        if ($c === []) {
            [$t, $last, $y, $z] = $this->trace($at);
        } elseif (isset($at[1])) {
            $a = $at[0];
            $b = $at[1];
            $ab = $a * $b;
            $t = $c[0] + $c[1] * $a + $c[2] * $b + $c[3] * $ab;
            $last = $c[4] + $c[5] * $a + $c[6] * $b + $c[7] * $ab;
            $y = $c[8] + $c[9] * $a + $c[10] * $b + $c[11] * $ab;
            $z = $c[12] + $c[13] * $a + $c[14] * $b + $c[15] * $ab;
        } else {
            $a = $at[0];
            $per = 1.0 / ($this->phi + $this->phiWay * $a);
            $t = ($c[0] + ($c[1] + ($c[2] + $c[3] * $a) * $a) * $a) * $per;
            $last = ($c[4] + ($c[5] + ($c[6] + $c[7] * $a) * $a) * $a) * $per;
            $y = ($c[8] + ($c[9] + ($c[10] + $c[11] * $a) * $a) * $a) * $per;
            $z = $c[12] + $c[13] * $a;
        }
        $this->t = $t;
        $this->image = $this->unmodelled ? Image::None : Image::of($last, $t);
        if ($this->image !== Image::Real) {
            $this->magnification = 0.0;

            return;
        }
        $this->magnification = abs($t) * $this->factor;
        $this->workingDistanceMm = -$this->medium * $y / $t;
        $this->subjectDistanceMm = $z + $this->realMore + $this->workingDistanceMm + $this->converterMm;
    }

    /**
     * Slope in front, magnification, working and subject distance (mm) over the product of places of the travels, the first travel's
     * running fastest; null where there is no real image.
     *
     * @param  list<list<float>>  $axes  places of each travel given to the constructor
     * @return array{list<float>, list<?float>, list<?float>, list<?float>, bool} the four columns, and whether it is focused at infinity
     *                                                                            or past it somewhere
     */
    public function columns(array $axes): array
    {
        $rows = (int) array_product(array_map(count(...), $axes));
        $slopes = array_fill(0, $rows, 0.0);
        $magnifications = $workings = $subjects = array_fill(0, $rows, null);
        $infinite = false;
        $c = $this->curves ?? $this->curves();
        if ($c === [] || $this->unmodelled) {
            foreach (self::product($axes) as $row => $at) {
                $this->sample($at);
                $slopes[$row] = $this->t;
                if ($this->image === Image::Real) {
                    $magnifications[$row] = $this->magnification;
                    $workings[$row] = $this->workingDistanceMm;
                    $subjects[$row] = $this->subjectDistanceMm;
                }
                $infinite = $infinite || $this->image === Image::AtInfinity;
            }

            return [array_values($slopes), array_values($magnifications), array_values($workings), array_values($subjects), $infinite];
        }
        // As sample() has it, in one flat loop.
        $phi = $this->phi;
        $phiWay = $this->phiWay;
        $factor = $this->factor;
        $medium = $this->medium;
        $more = $this->realMore + $this->converterMm;
        $row = 0;
        foreach ($axes[1] ?? [0.0] as $b) {
            [$t0, $t1, $t2, $t3, $last0, $last1, $last2, $last3, $y0, $y1, $y2, $y3, $z0, $z1] = isset($axes[1]) ? self::across($c, $b) : $c;
            foreach ($axes[0] as $a) {
                $per = 1.0 / ($phi + $phiWay * $a);
                $t = ($t0 + ($t1 + ($t2 + $t3 * $a) * $a) * $a) * $per;
                $slopes[$row] = $t;
                $image = Image::of(($last0 + ($last1 + ($last2 + $last3 * $a) * $a) * $a) * $per, $t);
                if ($image === Image::Real) {
                    $working = -$medium * ($y0 + ($y1 + ($y2 + $y3 * $a) * $a) * $a) * $per / $t;
                    $magnifications[$row] = ($t < 0.0 ? -$t : $t) * $factor;
                    $workings[$row] = $working;
                    $subjects[$row] = $z0 + $z1 * $a + $more + $working;
                } elseif ($image === Image::AtInfinity) {
                    $infinite = true;
                }
                $row++;
            }
        }

        return [array_values($slopes), array_values($magnifications), array_values($workings), array_values($subjects), $infinite];
    }

    /**
     * Of curves over two straight travels, the lines along the first at one place of the second.
     *
     * @param  list<float>  $c
     * @return list<float>
     */
    private static function across(array $c, float $b): array
    {
        $lines = [];
        for ($k = 0; $k < 16; $k += 4) {
            array_push($lines, $c[$k] + $c[$k + 2] * $b, $c[$k + 1] + $c[$k + 3] * $b, 0.0, 0.0);
        }

        return $lines;
    }

    /**
     * @param  list<list<float>>  $axes
     * @return list<list<float>>
     */
    private static function product(array $axes): array
    {
        $positions = [[]];
        foreach ($axes as $values) {
            $next = [];
            foreach ($values as $value) {
                foreach ($positions as $position) {
                    $position[] = $value;
                    $next[] = $position;
                }
            }
            $positions = $next;
        }

        return $positions;
    }

    /**
     * How slope, last height, height and place in front go over the travels.
     *
     * @return list<float> as sample() reads them; [] = they have to be traced
     */
    private function curves(): array
    {
        $bending = null;
        foreach ($this->steps as $step) {
            if ($step->lens?->bends === true) {
                $bending = $step;
            }
        }

        return $this->curves = match (true) {
            count($this->travels) === 1 => $bending === null ? $this->line($this->travels[0]) : $this->cubic($bending),
            count($this->travels) === 2 && $bending === null => $this->plane($this->travels[0], $this->travels[1]),
            default => [],
        };
    }

    /**
     * Over one straight travel, from its two ends.
     *
     * @return list<float>
     */
    private function line(Travel $travel): array
    {
        $way = $travel->greatest - $travel->least;
        if ($way <= 0.0) {
            return [];
        }
        $from = $this->trace([$travel->least]);
        $to = $this->trace([$travel->greatest]);
        $c = [];
        foreach ($from as $k => $value) {
            $slope = ($to[$k] - $value) / $way;
            array_push($c, $value - $slope * $travel->least, $slope, 0.0, 0.0);
        }

        return $c;
    }

    /**
     * Over a ring that bends, from four places: cubics, once multiplied by the power of its lens.
     *
     * @return list<float>
     */
    private function cubic(AxialStep $ring): array
    {
        $this->phi = $ring->value;
        $this->phiWay = $ring->lens->phi1 ?? 0.0;
        $v = [];
        for ($n = 0; $n < 4; $n++) {
            $v[] = $this->trace([$n / 3.0]);
        }
        $c = [];
        for ($k = 0; $k < 4; $k++) {
            // The place in front is no ray: it stays a line.
            $v0 = $v[0][$k] * ($k < 3 ? $this->phi : 1.0);
            $v1 = $v[1][$k] * ($k < 3 ? $this->phi + $this->phiWay / 3.0 : 1.0);
            $v2 = $v[2][$k] * ($k < 3 ? $this->phi + $this->phiWay * 2.0 / 3.0 : 1.0);
            $v3 = $v[3][$k] * ($k < 3 ? $this->phi + $this->phiWay : 1.0);
            // Newton's forward differences, ordered by powers of the place.
            $d1 = $v1 - $v0;
            $d2 = $v2 - 2.0 * $v1 + $v0;
            $d3 = $v3 - 3.0 * ($v2 - $v1) - $v0;
            array_push($c, $v0, 3.0 * ($d1 - $d2 / 2.0 + $d3 / 3.0), 4.5 * ($d2 - $d3), 4.5 * $d3);
        }

        return $c;
    }

    /**
     * Over two straight travels, from their four corners.
     *
     * @return list<float>
     */
    private function plane(Travel $one, Travel $other): array
    {
        $way = $one->greatest - $one->least;
        $across = $other->greatest - $other->least;
        if ($way <= 0.0 || $across <= 0.0) {
            return [];
        }
        $corner = $this->trace([$one->least, $other->least]);
        $along = $this->trace([$one->greatest, $other->least]);
        $aside = $this->trace([$one->least, $other->greatest]);
        $far = $this->trace([$one->greatest, $other->greatest]);
        $c = [];
        foreach ($corner as $k => $value) {
            $twist = ($far[$k] - $along[$k] - $aside[$k] + $value) / ($way * $across);
            $slope = ($along[$k] - $value) / $way - $twist * $other->least;
            $lean = ($aside[$k] - $value) / $across - $twist * $one->least;
            array_push($c, $value - $slope * $one->least - $lean * $other->least - $twist * $one->least * $other->least, $slope, $lean, $twist);
        }

        return $c;
    }

    /**
     * Step by step.
     *
     * @param  array<int, float>  $at
     * @return array{float, float, float, float} slope in front, height at the last principal plane (what tells a real image from
     *                                           none), height in front, place in front
     */
    private function trace(array $at): array
    {
        $y = 0.0;
        $t = 1.0;
        $z = 0.0;
        $last = 0.0;
        foreach ($this->steps as $step) {
            $travel = $step->travel;
            if ($step->kind === AxialStep::AIR) {
                $d = $travel < 0 ? $step->value : $at[$travel];
                $y += $t * $d;
                $z += $d;
            } elseif ($step->kind === AxialStep::THIN) {
                $t -= $y * $step->value;
                $z += $step->gap;
                if ($step->scale !== 1.0) {
                    $y *= $step->scale;
                    $t /= $step->scale;
                }
                $last = $y;
            } elseif ($step->lens !== null) {
                $s = $at[$travel];
                $lens = $step->lens;
                $phi = $lens->phi0 + $s * $lens->phi1;
                $a = (1.0 + $lens->mag0 + $s * $lens->mag1) / $phi - $lens->register;
                $rim = $lens->rim0 + $s * $lens->rim1;
                $toRim = $rim - $a - $lens->gap0 - $s * $lens->gap1;
                $tip = $step->tip;
                if ($tip < 0.0) {
                    $y += $t * $a;
                    $t -= $y * $phi;
                    $last = $y;
                    $y += $t * $toRim;
                    $z += $rim;
                } else {
                    $y += $t * $toRim;
                    $t -= $y * $phi;
                    $last = $y;
                    $y += $t * ($a + $tip);
                    $z += $rim + $tip;
                }
            }
        }

        return [$t, $last, $y, $z];
    }
}
