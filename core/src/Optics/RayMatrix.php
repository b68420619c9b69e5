<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/**
 * A front assembly as set, as what it does to a ray wherever it stands.
 *
 * The axial ray comes from the sensor with slope 1, so at the rear of a front assembly that stands z from the sensor it is z high;
 * everything behind its first glass is that one number. So each height and slope in the front assembly is a straight line over z
 * (OPTICS.md, "Frame of reference"): at the last principal plane y = a z + b, in front of everything t = c z + d. The
 * field ray (height 1, slope 0) has the heights a and slopes c.
 */
final class RayMatrix
{
    public readonly float $a;

    public readonly float $b;

    public readonly float $c;

    public readonly float $d;

    /** Rear of the front assembly to its last principal plane, and to its front-most metal, mm; behind a port the first is reduced. */
    public readonly float $last;

    public readonly float $front;

    /** The front-most metal in reduced distances, and the index of what lies before it; in air the same as `front`, and 1. */
    public readonly float $reduced;

    public readonly float $medium;

    /** @var list<float> openings: axial height = alpha z + beta, field height = alpha */
    public readonly array $alpha;

    /** @var list<float> */
    public readonly array $beta;

    /** @var list<float> clear radius; of the working diaphragm at its widest */
    public readonly array $radius;

    /** Which opening is the working diaphragm; -1 = none. */
    public readonly int $working;

    /** Numerical aperture of an objective; null = none. */
    public readonly ?float $na;

    /** What the first lens loses by itself where its electronics show the effective number: marked = set / this. */
    public readonly float $shown;

    /**
     * @param  Axis  $axis  the front assembly directly on a camera
     * @param  float  $zero  where its rear stands there, mm
     * @param  float  $s  place of the ring
     */
    public function __construct(Axis $axis, float $zero, public readonly float $s, ?float $widest)
    {
        $a = 1.0;
        $b = 0.0;
        $c = 0.0;
        $d = 1.0;
        $at = $zero;
        $alpha = $beta = $radius = [];
        $working = -1;
        $k = 0;
        $groups = count($axis->phi);
        $openings = count($axis->openZ);
        for ($j = 0; $j <= $openings; $j++) {
            $until = $j < $openings ? $axis->openSpace[$j] : $groups;
            while ($k < $until) {
                $way = $axis->zi[$k] - $at;
                $a += $c * $way;
                $b += $d * $way;
                $c -= $a * $axis->phi[$k];
                $d -= $b * $axis->phi[$k];
                $at = $axis->zo[$k];
                $scale = $axis->scale[$k];
                if ($scale !== 1.0) {
                    [$a, $b, $c, $d] = [$a * $scale, $b * $scale, $c / $scale, $d / $scale];
                }
                $k++;
            }
            if ($j < $openings && $axis->openPart[$j] >= 0) {
                $way = $axis->openZ[$j] - $at;
                if ($axis->openPart[$j] === 0 && $axis->openKind[$j] === OpeningKind::Diaphragm) {
                    $working = count($radius);
                }
                $alpha[] = $a + $c * $way;
                $beta[] = $b + $d * $way;
                $radius[] = $axis->openR[$j];
            }
        }
        $this->a = $a;
        $this->b = $b;
        $this->c = $c;
        $this->d = $d;
        $this->last = $at - $zero;
        $this->front = $axis->front - $zero;
        $this->reduced = $axis->frontOptical - $zero;
        $this->medium = $axis->medium;
        $this->alpha = $alpha;
        $this->beta = $beta;
        $this->radius = $radius;
        $this->working = $working;
        $this->na = $axis->na;
        $this->shown = $axis->marked !== null && $widest !== null ? $widest / $axis->marked : 1.0;
    }
}
