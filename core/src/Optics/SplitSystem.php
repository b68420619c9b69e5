<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * A rig cut in three at the part that moves: what lies behind it, itself, and what lies in front.
 *
 * Behind, nothing changes: rays and openings there are numbers. In front, everything is carried along as one rigid body,
 * and the optics are linear: any height there is `alpha y + beta t` of the ray as it leaves the moving part. So a place
 * of the travel costs the moving part's own few steps and one multiply-add per opening, whatever stands in the rig.
 * Only travels of length and focus ring are cut so; both are places along the axis, not other lenses.
 */
final class SplitSystem
{
    /** Rays where the moving part begins: axial and field, height and slope. */
    public float $y = 0.0;

    public float $t = 1.0;

    public float $fy = 1.0;

    public float $ft = 0.0;

    /** Where it begins, mm from the sensor. */
    public float $rear = 0.0;

    /** @var list<float> axial and field heights at the openings behind */
    public array $behindA = [];

    /** @var list<float> */
    public array $behindF = [];

    /** @var list<float> */
    public array $behindR = [];

    /** @var list<int> */
    public array $behindPart = [];

    /** @var list<float> openings in front: h = alpha y + beta t where the moving part ends */
    public array $alpha = [];

    /** @var list<float> */
    public array $beta = [];

    /** @var list<float> */
    public array $radius = [];

    /** @var list<int> */
    public array $part = [];

    /** Own openings of a spacer: at its rear and at its front, this wide; 0 = none. */
    public float $ownRadius = 0.0;

    /** After the last group: y' = a y + b t, t' = c y + d t. */
    public float $a = 1.0;

    public float $b = 0.0;

    public float $c = 0.0;

    public float $d = 1.0;

    /** From where the moving part ends to the last principal plane, the front-most place (reduced), and the front-most metal. */
    public float $toLast = 0.0;

    public float $toFront = 0.0;

    public float $toMetal = 0.0;

    /** Whether a group stands in front of the moving part. */
    public bool $groupsInFront = false;

    /** @var list<float> groups behind: axial and field heights, planes */
    public array $behindGroupA = [];

    /** @var list<float> */
    public array $behindGroupF = [];

    /** @var list<float> */
    public array $behindZi = [];

    /** @var list<float> */
    public array $behindZo = [];

    /** @var list<float> groups in front: heights as above, planes from where the moving part ends */
    public array $groupAlpha = [];

    /** @var list<float> */
    public array $groupBeta = [];

    /** @var list<float> */
    public array $frontZi = [];

    /** @var list<float> */
    public array $frontZo = [];

    public function __construct(public readonly Axis $axis, Rig $rig, Travel $travel)
    {
        $p = $travel->part;
        $this->rear = $axis->rearMm[$p];
        $end = $axis->frontMm[$p];
        $own = $travel->kind === TravelKind::Focus && $rig->chain[$p] instanceof Lens;
        $this->traceBehind($axis, $p);
        $this->traceInFront($axis, $p, $end);
        if (! $own) {
            foreach ($axis->openPart as $j => $part) {
                if ($part === $p) {
                    $this->ownRadius = $axis->openR[$j];
                }
            }
        }
        $this->toFront = $axis->frontOptical - $end;
        $this->toMetal = $axis->front - $end;
    }

    private function traceBehind(Axis $axis, int $p): void
    {
        $behindA = $behindF = $behindR = $behindPart = [];
        foreach ($axis->openPart as $j => $part) {
            if ($part < $p) {
                $behindA[] = $axis->axialAt[$j];
                $behindF[] = $axis->fieldAt[$j];
                $behindR[] = $axis->openR[$j];
                $behindPart[] = $part;
            }
        }
        [$this->behindA, $this->behindF, $this->behindR, $this->behindPart] = [$behindA, $behindF, $behindR, $behindPart];
        $y = 0.0;
        $t = 1.0;
        $fy = 1.0;
        $ft = 0.0;
        $z = 0.0;
        foreach ($axis->groupPart as $k => $part) {
            if ($part >= $p) {
                break;
            }
            $way = $axis->zi[$k] - $z;
            $y += $t * $way;
            $fy += $ft * $way;
            $this->behindGroupA[] = $y;
            $this->behindGroupF[] = $fy;
            $this->behindZi[] = $axis->zi[$k];
            $this->behindZo[] = $axis->zo[$k];
            $t -= $y * $axis->phi[$k];
            $ft -= $fy * $axis->phi[$k];
            $z = $axis->zo[$k];
            $scale = $axis->scale[$k];
            if ($scale !== 1.0) {
                [$y, $t, $fy, $ft] = [$y * $scale, $t / $scale, $fy * $scale, $ft / $scale];
                $this->behindGroupA[] = $y;
                $this->behindGroupF[] = $fy;
                $this->behindZi[] = $z;
                $this->behindZo[] = $z;
            }
        }
        $this->y = $y + $t * ($this->rear - $z);
        $this->t = $t;
        $this->fy = $fy + $ft * ($this->rear - $z);
        $this->ft = $ft;
    }

    private function traceInFront(Axis $axis, int $p, float $end): void
    {
        // Two rays from where the moving part ends: (y, t) = (1, 0) and (0, 1).
        $a = 1.0;
        $b = 0.0;
        $c = 0.0;
        $d = 1.0;
        $z = $end;
        $groups = count($axis->phi);
        $openings = count($axis->openZ);
        $k = $j = 0;
        while ($k < $groups && $axis->groupPart[$k] <= $p) {
            $k++;
        }
        while ($j < $openings && $axis->openPart[$j] <= $p) {
            $j++;
        }
        while (true) {
            // Openings up to the next group, then that group.
            while ($j < $openings && $axis->openSpace[$j] <= $k) {
                $way = $axis->openZ[$j] - $z;
                $this->alpha[] = $a + $c * $way;
                $this->beta[] = $b + $d * $way;
                $this->radius[] = $axis->openR[$j];
                $this->part[] = $axis->openPart[$j];
                $j++;
            }
            if ($k === $groups) {
                break;
            }
            $way = $axis->zi[$k] - $z;
            $a += $c * $way;
            $b += $d * $way;
            $this->groupAlpha[] = $a;
            $this->groupBeta[] = $b;
            $this->frontZi[] = $axis->zi[$k] - $end;
            $this->frontZo[] = $axis->zo[$k] - $end;
            $c -= $a * $axis->phi[$k];
            $d -= $b * $axis->phi[$k];
            $z = $axis->zo[$k];
            $scale = $axis->scale[$k];
            if ($scale !== 1.0) {
                [$a, $b, $c, $d] = [$a * $scale, $b * $scale, $c / $scale, $d / $scale];
                $this->groupAlpha[] = $a;
                $this->groupBeta[] = $b;
                $this->frontZi[] = $z - $end;
                $this->frontZo[] = $z - $end;
            }
            $this->groupsInFront = true;
            $k++;
        }
        $this->a = $a;
        $this->b = $b;
        $this->c = $c;
        $this->d = $d;
        $this->toLast = $z - $end;
    }
}
