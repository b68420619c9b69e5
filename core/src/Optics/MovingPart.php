<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;

/**
 * What the part that a travel moves does to both rays, a column each, a row for each position of the travel: a spacer of that length,
 * or a lens with its ring there.
 */
final class MovingPart
{
    /** @var list<float> the axial ray where the part ends: height and slope */
    public array $y = [];

    /** @var list<float> */
    public array $t = [];

    /** @var list<float> the field ray there */
    public array $fy = [];

    /** @var list<float> */
    public array $ft = [];

    /** @var list<float> where it ends, mm from the sensor, in metal */
    public array $endMm = [];

    /** @var list<float> principal planes of a lens, mm from the sensor; [] = it is none */
    public array $zi = [];

    /** @var list<float> */
    public array $zo = [];

    /** @var list<float> how high both rays stand there */
    public array $planeY = [];

    /** @var list<float> */
    public array $planeF = [];

    /** @var list<MovingOpening> */
    public array $openings = [];

    /** @var list<float> marked number of the working lens, where its ring changes it; [] = it doesn't */
    public array $marked = [];

    private function __construct()
    {
    }

    /** @param  list<float>  $positions */
    public static function along(SplitSystem $split, Rig $rig, Travel $travel, array $positions): self
    {
        $self = new self;
        $part = $rig->chain[$travel->part];
        if ($travel->kind === TravelKind::Focus && $part instanceof Lens) {
            $model = LensModel::of($rig->lenses[$travel->part], $rig->conditions->simpleAperture);
            $shown = $rig->markedAperture($travel->part);
            $self->turn($split, $model, $part->reversed, $positions);
            if ($shown !== null) {
                $self->diaphragm($split, $model, $travel->part, $part->reversed, $shown, $positions);
                $self->marked = $model->showsEffective && $rig->totals->workingLens === $travel->part ? $self->marked : [];
            }
            if ($model->frontGlass !== null) {
                $rows = count($positions);
                $self->openings[] = $part->reversed
                    ? new MovingOpening($travel->part, $model->frontGlass / 2.0, [], array_fill(0, $rows, $split->y), array_fill(0, $rows, $split->fy))
                    : new MovingOpening($travel->part, $model->frontGlass / 2.0, [], $self->y, $self->fy);
            }
        } else {
            $self->extend($split, $travel->part, $positions);
        }

        return $self;
    }

    /** @param  list<float>  $positions */
    private function extend(SplitSystem $split, int $part, array $positions): void
    {
        $rows = count($positions);
        $y = $fy = $end = $positions;
        foreach ($positions as $row => $mm) {
            $y[$row] = $split->y + $split->t * $mm;
            $fy[$row] = $split->fy + $split->ft * $mm;
            $end[$row] = $split->rear + $mm;
        }
        [$y, $fy] = [array_values($y), array_values($fy)];
        $this->y = $y;
        $this->fy = $fy;
        $this->endMm = array_values($end);
        $this->t = array_fill(0, $rows, $split->t);
        $this->ft = array_fill(0, $rows, $split->ft);
        if ($split->ownRadius > 0.0) {
            $this->openings[] = new MovingOpening($part, $split->ownRadius, [], array_fill(0, $rows, $split->y), array_fill(0, $rows, $split->fy));
            $this->openings[] = new MovingOpening($part, $split->ownRadius, [], $y, $fy);
        }
    }

    /** @param  list<float>  $positions */
    private function turn(SplitSystem $split, LensModel $model, bool $reversed, array $positions): void
    {
        $y0 = $split->y;
        $t0 = $split->t;
        $fy0 = $split->fy;
        $ft0 = $split->ft;
        $rear = $split->rear;
        $tip = $reversed ? $model->protrusion : 0.0;
        $phi0 = $model->phi0;
        $phi1 = $model->phi1;
        $bend = $model->bend;
        $mag0 = 1.0 + $model->mag0;
        $mag1 = $model->mag1;
        $register = $model->register;
        $gap0 = $model->gap0;
        $gap1 = $model->gap1;
        $bulge = $model->bulge;
        $rim0 = $model->rim0;
        $rim1 = $model->rim1;
        $cY = $cT = $cFy = $cFt = $cEnd = $cZi = $cZo = $cPlaneY = $cPlaneF = $positions;
        foreach ($positions as $row => $s) {
            $between = $s * (1.0 - $s);
            $phi = ($phi0 + $phi1 * $s) * (1.0 - $bend * $between);
            $a = ($mag0 + $mag1 * $s) / $phi - $register;
            $b = $a + $gap0 + $gap1 * $s + $bulge * $between;
            $rim = $rim0 + $rim1 * $s;
            if ($reversed) {
                $way = $rim - $b;
                $on = $a + $tip;
                $cZo[$row] = $rear + $rim - $a;
            } else {
                $way = $a;
                $on = $rim - $b;
                $cZo[$row] = $rear + $b;
            }
            $cZi[$row] = $rear + $way;
            $planeY = $y0 + $t0 * $way;
            $planeF = $fy0 + $ft0 * $way;
            $t = $t0 - $planeY * $phi;
            $ft = $ft0 - $planeF * $phi;
            $cPlaneY[$row] = $planeY;
            $cPlaneF[$row] = $planeF;
            $cT[$row] = $t;
            $cFt[$row] = $ft;
            $cY[$row] = $planeY + $t * $on;
            $cFy[$row] = $planeF + $ft * $on;
            $cEnd[$row] = $rear + $rim + $tip;
        }
        // Of a column without gaps array_values() is no copy.
        [$this->y, $this->t, $this->fy, $this->ft, $this->endMm] = [array_values($cY), array_values($cT), array_values($cFy), array_values($cFt), array_values($cEnd)];
        [$this->zi, $this->zo, $this->planeY, $this->planeF] = [array_values($cZi), array_values($cZo), array_values($cPlaneY), array_values($cPlaneF)];
    }

    /**
     * The lens's own diaphragm, as the image side sees it (OPTICS.md, "The rig").
     *
     * @param  float  $shown  the number it is set to
     * @param  list<float>  $positions
     */
    private function diaphragm(SplitSystem $split, LensModel $model, int $part, bool $reversed, float $shown, array $positions): void
    {
        $y0 = $split->y;
        $t0 = $split->t;
        $fy0 = $split->fy;
        $ft0 = $split->ft;
        $rear = $split->rear;
        $phi0 = $model->phi0;
        $phi1 = $model->phi1;
        $bend = $model->bend;
        $mag0 = $model->mag0;
        $mag1 = $model->mag1;
        $pupil0 = $model->pupil0;
        $pupil1 = $model->pupil1;
        $leastPupil = $model->leastPupil;
        $loss0 = $model->loss0;
        $loss1 = $model->loss1;
        $spread0 = $model->spread0;
        $spread1 = $model->spread1;
        $converts = $model->showsEffective;
        $radii = $h = $f = $marked = $positions;
        foreach ($positions as $row => $s) {
            $focal = 1.0 / (($phi0 + $phi1 * $s) * (1.0 - $bend * $s * (1.0 - $s)));
            $pupil = $pupil0 + $pupil1 * $s;
            if ($pupil < $leastPupil) {
                $pupil = $leastPupil;
            }
            $loss = ($loss0 + $loss1 * $s) * ($spread0 + $spread1 * $s);
            $number = $converts ? $shown / $loss : $shown;
            $marked[$row] = $number;
            $wide = $focal * (1.0 + ($mag0 + $mag1 * $s) / $pupil) / ($loss * 2.0 * $number);
            $at = $this->zi[$row] - $rear - $focal * ($reversed ? 1.0 - 1.0 / $pupil : 1.0 - $pupil);
            $radii[$row] = $reversed ? $wide : $wide * $pupil;
            $h[$row] = $y0 + $t0 * $at;
            $f[$row] = $fy0 + $ft0 * $at;
        }
        $this->openings[] = new MovingOpening($part, 0.0, array_values($radii), array_values($h), array_values($f));
        $this->marked = array_values($marked);
    }
}
