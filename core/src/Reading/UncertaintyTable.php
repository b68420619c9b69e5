<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * Half-widths of all readings at every place of a sweep (OPTICS.md, "How sure": the root of the sum over uncertain inputs of
 * `((r(+) - r(-)) / 2)^2`). Uncertainty is where the inputs and the rule are explained, Reading where each reading is.
 *
 * @internal to sweeps
 */
final class UncertaintyTable
{
    /** 1 / ln(2)^2: a share of stops, `(2 log2(x))^2 / 4`, from `ln(x)^2`. */
    private const STOPS = 2.081368981005608;

    /** @var array<string, array<int, ?float>> by reading and row; null = no uncertain input moves it */
    public array $columns = [];

    /** @var list<array{int, int, Uncertainty}> from which row to which one answer holds, where places are read one by one */
    private array $single = [];

    /** @var (\Closure(string, int): ?Contributor)|null names the greatest contributor to a reading at a row, where places are not read one by one */
    private ?\Closure $name = null;

    private int $last = 0;

    private function __construct()
    {
        foreach (Uncertainty::READINGS as $name) {
            $this->columns[$name] = [];
        }
    }

    /** How many rows lie between two at which the greatest contributor is asked for. */
    private const ASKED_EVERY = 16;

    /** The readings whose greatest contributor is asked for. */
    public const TOLD = ['magnification', 'workingDistanceMm', 'effectiveAperture'];

    /**
     * @param  list<float>  $positions  rising, at least one
     * @param  ?SplitSystem  $split  of the rig cut at the part that moves, with that at the first place; null = each place is read by itself
     * @param  list<Image>  $images  what the rig images at each
     */
    public static function along(Rig $rig, Travel $travel, array $positions, ?SplitSystem $split, array $images): self
    {
        $self = new self;
        if ($split === null && ! in_array($travel->kind, [TravelKind::Swing, TravelKind::Shift], true)) {
            foreach ($positions as $row => $position) {
                $self->add(Uncertainty::of($rig->with($travel->kind, $travel->part, $position)), $row, 1);
            }

            return $self;
        }
        $first = $rig->with($travel->kind, $travel->part, $positions[0]);
        $inputs = $split === null ? [] : Uncertainty::inputs($first, $travel->kind === TravelKind::Focus ? $travel->part : null);
        if ($split === null || $inputs === []) {
            // On the axis nothing moves, or nothing is uncertain: what holds at one place holds at all.
            $self->add(Uncertainty::of($first), 0, count($positions));
        } else {
            $self->cut($inputs, $split, $rig, $travel, $positions, $images);
        }

        return $self;
    }

    /**
     * Rows alike.
     */
    private function add(Uncertainty $sure, int $from, int $rows): void
    {
        foreach (Uncertainty::READINGS as $name) {
            $half = $sure->halfWidth($name);
            for ($row = 0; $row < $rows; $row++) {
                $this->columns[$name][] = $half;
            }
        }
        $this->single[] = [$from, $from + $rows - 1, $sure];
    }

    /**
     * Of a rig cut at the part that moves: the rays of each input moved up and down, as columns, then all inputs row by row.
     *
     * With h the axial height at the stop of radius r, n = |h|/2r its number and K = (g h - t f)/2r (g, t the slopes of field and
     * axial ray in front, f the field height at the stop), Lagrange's invariant makes the entrance pupil `n/(K |t|)` from the
     * subject plane and near and far `W/(1 +- B)` from it, with `W = n c/(M |t|)` and `B = (c/M) K sgn(h t)`.
     *
     * @param  non-empty-list<UncertainInput>  $inputs
     * @param  SplitSystem  $split  of the rig itself
     * @param  list<float>  $positions
     * @param  list<Image>  $images
     */
    private function cut(array $inputs, SplitSystem $split, Rig $rig, Travel $travel, array $positions, array $images): void
    {
        $rays = PerturbedRays::of($inputs, $split, $travel, $positions);
        $ups = $rays->ups;
        $downs = $rays->downs;
        $turns = $rays->turns;
        $bends = $rays->bends;
        $metal0 = $rays->metal;
        $metal1 = $rays->metalWay;
        $markedRatio = $rays->markedRatio;
        $markedRatios = $rays->markedRatios;
        $shown = $markedRatios !== [];
        $medium = $split->axis->medium;
        $factor = $split->axis->factor;
        // What is a plain multiple of another quantity is summed without its factor.
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        $cm = $rig->blurLimitMm / $factor;
        $halfFactor = 0.5 * $factor;
        $halfWidth = 0.5 * $rig->frame->widthMm / $factor;
        $halfHeight = 0.5 * $rig->frame->heightMm / $factor;
        $halfDepth = 0.5 * $medium * $cm;
        $halfWave = 2.0 * $lambda * $medium;
        $halfDetail = 0.61 * $lambda;
        $halfPupil = 0.5 * $medium;
        $halfAiry = 1.22 * $lambda * $factor;
        // Written to by index: an element appended costs twice as much.
        $cM = $cF = $cH = $cW = $cS = $cN = $cL = $cNear = $cFar = $cZ = $cV = $cA = $cD = $cP = array_fill(0, count($positions), null);
        foreach ($positions as $row => $position) {
            if (isset($turns[$row])) {
                foreach ($turns[$row] as [$i, $isUp, $line]) {
                    if ($isUp) {
                        $ups[$i] = $line;
                    } else {
                        $downs[$i] = $line;
                    }
                }
            }
            // Sums of squares, without constant factors, of magnification, field, working and subject distance, number, stops lost, near,
            // far, depth of field, wave depth, detail, entrance pupil; u and d begin what belongs to the input moved up and down.
            $at = 4 * $row;
            $m = $f = $w = $s = $n = $l = $near = $far = $z = $v = $d = $p = 0.0;
            foreach ($ups as $i => $up) {
                $down = $downs[$i];
                if ($up === null || $down === null) {
                    if ($images[$row] === Image::Real) {
                        $change = $medium * $metal0[$i];
                        $w += $change * $change;
                        $change -= $metal0[$i];
                        $s += $change * $change;
                    }

                    continue;
                }
                if ($bends) {
                    $ut = $up[$at];
                    $un = $up[$at + 1];
                    $uy = $up[$at + 2];
                    $uk = $up[$at + 3];
                    $dt = $down[$at];
                    $dn = $down[$at + 1];
                    $dy = $down[$at + 2];
                    $dk = $down[$at + 3];
                } else {
                    $ut = $up[0] + $up[1] * $position;
                    $un = $up[2] + $up[3] * $position;
                    $uy = $up[4] + $up[5] * $position;
                    $uk = $up[6] + $up[7] * $position;
                    $dt = $down[0] + $down[1] * $position;
                    $dn = $down[2] + $down[3] * $position;
                    $dy = $down[4] + $down[5] * $position;
                    $dk = $down[6] + $down[7] * $position;
                }
                if ($ut === $dt && $un === $dn && $uk === $dk && ! $shown) {
                    // What moves the principal gap alone leaves how steep and how wide the light comes.
                    if ($ut > 0.0) {
                        $change = $medium * ($dy - $uy) / $ut;
                        $w += $change * $change;
                        $change += $metal0[$i] + $metal1[$i] * $position;
                        $s += $change * $change;
                    }

                    continue;
                }
                $limited = $un > 0.0 && $dn > 0.0;
                if ($limited) {
                    $change = $un - $dn;
                    $n += $change * $change;
                    $ratio = $shown ? $markedRatios[$i][$row] : $markedRatio[$i];
                    if ($ratio > 0.0) {
                        $change = $un / $dn * $ratio - 1.0;
                        $change = $change < 1e-3 && $change > -1e-3 ? $change * (1.0 - $change * (0.5 - $change * (1.0 / 3.0 - $change * 0.25))) : \log(1.0 + $change);
                        $l += $change * $change;
                    }
                }
                if ($ut < 0.0 || $dt < 0.0) {
                    continue;
                }
                if ($ut === 0.0 || $dt === 0.0) {
                    $change = $ut - $dt;
                    $m += $change * $change;

                    continue;
                }
                $um = 1.0 / $ut;
                $dm = 1.0 / $dt;
                // What moves the diaphragm alone leaves the plane of focus where it is.
                if ($ut !== $dt || $uy !== $dy || $metal0[$i] !== 0.0) {
                    $change = $ut - $dt;
                    $m += $change * $change;
                    $change = $um - $dm;
                    $f += $change * $change;
                    $change = $medium * ($dy * $dm - $uy * $um);
                    $w += $change * $change;
                    $change += $metal0[$i] + $metal1[$i] * $position;
                    $s += $change * $change;
                }
                if (! $limited) {
                    continue;
                }
                // A converter's factor falls out of N / M.
                $un *= $um;
                $dn *= $dm;
                $change = $un - $dn;
                $d += $change * $change;
                $change *= $un + $dn;
                $v += $change * $change;
                if ($uk !== 0.0 && $dk !== 0.0) {
                    $change = $un / $uk - $dn / $dk;
                    $p += $change * $change;
                }
                $un *= $um;
                $dn *= $dm;
                $uk *= $cm * $um;
                $dk *= $cm * $dm;
                $both1 = 1.0 - $uk * $uk;
                $both2 = 1.0 - $dk * $dk;
                if ($both1 > 0.0 && $both2 > 0.0) {
                    // W / (1 +- B) = W (1 -+ B) / (1 - B^2)
                    $un /= $both1;
                    $dn /= $both2;
                    $change = $un - $dn;
                    $z += $change * $change;
                    $share = $un * $uk - $dn * $dk;
                    $limit = $change - $share;
                    $near += $limit * $limit;
                    $limit = $change + $share;
                    $far += $limit * $limit;
                } elseif ($uk > -1.0 && $dk > -1.0) {
                    $change = $un / (1.0 + $uk) - $dn / (1.0 + $dk);
                    $near += $change * $change;
                } elseif ($uk < 1.0 && $dk < 1.0) {
                    $change = $un / (1.0 - $uk) - $dn / (1.0 - $dk);
                    $far += $change * $change;
                }
            }
            if ($m > 0.0) {
                $cM[$row] = \sqrt($m) * $halfFactor;
            }
            if ($f > 0.0) {
                $f = \sqrt($f);
                $cF[$row] = $f * $halfWidth;
                $cH[$row] = $f * $halfHeight;
            }
            if ($w > 0.0) {
                $cW[$row] = \sqrt($w) * 0.5;
            }
            if ($s > 0.0) {
                $cS[$row] = \sqrt($s) * 0.5;
            }
            if ($n > 0.0) {
                $n = \sqrt($n);
                $cN[$row] = $n * $halfFactor;
                $cA[$row] = $n * $halfAiry;
            }
            if ($l > 0.0) {
                $cL[$row] = \sqrt($l * self::STOPS);
            }
            if ($near > 0.0) {
                $cNear[$row] = \sqrt($near) * $halfDepth;
            }
            if ($far > 0.0) {
                $cFar[$row] = \sqrt($far) * $halfDepth;
            }
            if ($z > 0.0) {
                $cZ[$row] = \sqrt($z) * 2.0 * $halfDepth;
            }
            if ($v > 0.0) {
                $cV[$row] = \sqrt($v) * $halfWave;
            }
            if ($d > 0.0) {
                $cD[$row] = \sqrt($d) * $halfDetail;
            }
            if ($p > 0.0) {
                $cP[$row] = \sqrt($p) * $halfPupil;
            }
        }
        $this->columns = [
            'magnification' => $cM, 'fieldWidthMm' => $cF, 'fieldHeightMm' => $cH, 'workingDistanceMm' => $cW, 'subjectDistanceMm' => $cS, 'effectiveAperture' => $cN,
            'stopsLost' => $cL, 'depthOfFieldMm' => $cZ, 'nearMm' => $cNear, 'farMm' => $cFar, 'waveDepthMm' => $cV, 'airyDiameterMm' => $cA, 'detailMm' => $cD,
            'entrancePupilMm' => $cP,
        ];
        $this->name = static fn (string $reading, int $row): ?Contributor => Uncertainty::most($rig, $inputs, $rays->changesAt($reading, $row, $positions[$row], $images[$row], $medium));
        $this->last = count($positions) - 1;
    }

    /**
     * Which figure contributes most to a reading, from which row to which: asked at every sixteenth, and between two that answer
     * otherwise where it changes. A figure that is the greatest for fewer rows than that, between two stretches of another, is passed
     * over. Worked out when it is asked for: few sweeps say it of more than one reading.
     *
     * @param  string  $reading  one of TOLD
     * @return list<array{int, int, Contributor}>
     */
    public function sources(string $reading): array
    {
        $runs = [];
        foreach ($this->single as [$from, $to, $sure]) {
            $source = $sure->source($reading);
            if ($source !== null) {
                $runs[] = [$from, $to, $source];
            }
        }
        $name = $this->name;
        if ($name === null) {
            return $runs;
        }
        $from = $row = 0;
        $now = $name($reading, 0);
        while ($row < $this->last) {
            $next = min($this->last, $row + self::ASKED_EVERY);
            $then = $name($reading, $next);
            if (! self::alike($then, $now)) {
                // The last row with the one, the first that has another.
                $low = $row;
                while ($next - $low > 1) {
                    $middle = intdiv($low + $next, 2);
                    $between = $name($reading, $middle);
                    if (self::alike($between, $now)) {
                        $low = $middle;
                    } else {
                        $next = $middle;
                        $then = $between;
                    }
                }
                if ($now !== null) {
                    $runs[] = [$from, $next - 1, $now];
                }
                $from = $next;
                $now = $then;
            }
            $row = $next;
        }
        if ($now !== null) {
            $runs[] = [$from, $this->last, $now];
        }

        return $runs;
    }

    private static function alike(?Contributor $one, ?Contributor $other): bool
    {
        return $one?->part === $other?->part && $one?->field === $other?->field;
    }
}
