<?php

declare(strict_types=1);

namespace ZincThimble\Core\Trace;

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
final class Train
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
        $y = 0.0;
        $t = 1.0;
        $fy = 1.0;
        $ft = 0.0;
        $z = 0.0;
        $k = 0;
        $groups = count($axis->phi);
        foreach ($axis->openZ as $j => $at) {
            if ($axis->openPart[$j] >= $p) {
                continue;
            }
            while ($k < $axis->openSpace[$j]) {
                $this->behindGroup($axis, $k, $y, $t, $fy, $ft, $z);
                $k++;
            }
            $this->behindA[] = $y + $t * ($at - $z);
            $this->behindF[] = $fy + $ft * ($at - $z);
            $this->behindR[] = $axis->openR[$j];
            $this->behindPart[] = $axis->openPart[$j];
        }
        while ($k < $groups && $axis->groupPart[$k] < $p) {
            $this->behindGroup($axis, $k, $y, $t, $fy, $ft, $z);
            $k++;
        }
        $this->y = $y + $t * ($this->rear - $z);
        $this->t = $t;
        $this->fy = $fy + $ft * ($this->rear - $z);
        $this->ft = $ft;
    }

    private function behindGroup(Axis $axis, int $k, float &$y, float &$t, float &$fy, float &$ft, float &$z): void
    {
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
        $k = 0;
        while ($k < $groups && $axis->groupPart[$k] <= $p) {
            $k++;
        }
        foreach ($axis->openZ as $j => $at) {
            if ($axis->openPart[$j] <= $p) {
                continue;
            }
            while ($k < $axis->openSpace[$j]) {
                $this->frontGroup($axis, $k, $end, $a, $b, $c, $d, $z);
                $k++;
            }
            $this->alpha[] = $a + $c * ($at - $z);
            $this->beta[] = $b + $d * ($at - $z);
            $this->radius[] = $axis->openR[$j];
            $this->part[] = $axis->openPart[$j];
        }
        while ($k < $groups) {
            $this->frontGroup($axis, $k, $end, $a, $b, $c, $d, $z);
            $k++;
        }
        $this->a = $a;
        $this->b = $b;
        $this->c = $c;
        $this->d = $d;
        $this->toLast = $z - $end;
    }

    private function frontGroup(Axis $axis, int $k, float $end, float &$a, float &$b, float &$c, float &$d, float &$z): void
    {
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
        $this->groupsInFront = true;
    }
}
