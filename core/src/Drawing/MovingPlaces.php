<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\MovingOpening;
use ZincThimble\Core\Optics\MovingPart;
use ZincThimble\Core\Optics\Rays;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/** What moves in the drawing while one control is moved: a column each, mm from the sensor. */
final class MovingPlaces
{
    /**
     * Front end of the part that is moved.
     *
     * @var list<float>
     */
    public array $frontMm = [];

    /**
     * Front end of the rig.
     *
     * @var list<float>
     */
    public array $tipMm = [];

    /**
     * Image-side and subject-side principal planes and cone heights, group by group.
     *
     * @var array<int, array{zi: list<float>, zo: list<float>, cone: list<?float>, chief: list<?float>}>
     */
    public array $groups = [];

    public function __construct(public readonly int $part)
    {
    }

    /** The same for a rig cut in three at the part that moves: everything in front of it is carried along. */
    public static function along(SplitSystem $split, Rig $rig, Travel $travel, MovingPart $moving, Rays $rays): self
    {
        $self = new self($travel->part);
        $shift = $split->axis->converterMm;
        $ends = $moving->endMm;
        $self->frontMm = self::shifted($ends, $shift);
        $self->tipMm = self::shifted($ends, $split->toMetal + $shift);
        // Without an image there is no corner to draw a ray from.
        $cones = $chiefs = $rays->chief;
        $slopes = $rays->slope;
        foreach ($rays->number as $row => $number) {
            $cones[$row] = $number > 0.0 ? 0.5 / $number : null;
            if ($slopes[$row] <= 0.0) {
                $chiefs[$row] = null;
            }
        }
        $corner = Vignetting::cornerMm($rig) / $split->axis->factor;
        $rows = count($ends);
        foreach ($split->behindGroupA as $k => $height) {
            $self->groups[] = [
                'zi' => array_fill(0, $rows, $split->behindZi[$k] + $shift),
                'zo' => array_fill(0, $rows, $split->behindZo[$k] + $shift),
                ...self::heights(array_fill(0, $rows, $height), array_fill(0, $rows, $split->behindGroupF[$k]), $cones, $chiefs, $corner),
            ];
        }
        if ($moving->zi !== []) {
            $self->groups[] = [
                'zi' => self::shifted($moving->zi, $shift),
                'zo' => self::shifted($moving->zo, $shift),
                ...self::heights($moving->planeY, $moving->planeF, $cones, $chiefs, $corner),
            ];
        }
        foreach ($split->groupAlpha as $k => $alpha) {
            $beta = $split->groupBeta[$k];
            $axial = MovingOpening::heights($alpha, $moving->y, $beta, $moving->t);
            $field = MovingOpening::heights($alpha, $moving->fy, $beta, $moving->ft);
            $self->groups[] = [
                'zi' => self::shifted($ends, $split->frontZi[$k] + $shift),
                'zo' => self::shifted($ends, $split->frontZo[$k] + $shift),
                ...self::heights($axial, $field, $cones, $chiefs, $corner),
            ];
        }

        return $self;
    }

    /**
     * @param  list<float>  $places
     * @return list<float>
     */
    private static function shifted(array $places, float $by): array
    {
        if ($by === 0.0) {
            return $places;
        }
        foreach ($places as $row => $place) {
            $places[$row] = $place + $by;
        }

        return $places;
    }

    /**
     * How high the rim of the cone and the ray to the corner stand at one group.
     *
     * @param  list<float>  $axial  height of the axial ray there
     * @param  list<float>  $field  height of the field ray
     * @param  array<int, ?float>  $cones  the axial ray's share in the rim of the cone; null = nothing known limits it
     * @param  array<int, ?float>  $chiefs  its share in the chief ray; null = there is none
     * @param  float  $corner  height in the image that the chief ray belongs to, mm
     * @return array{cone: list<?float>, chief: list<?float>}
     */
    private static function heights(array $axial, array $field, array $cones, array $chiefs, float $corner): array
    {
        $cone = $chief = $cones;
        foreach ($axial as $row => $y) {
            $share = $cones[$row];
            $cone[$row] = $share === null ? null : $share * $y;
            $x = $chiefs[$row];
            $chief[$row] = $x === null ? null : $corner * ($field[$row] + $x * $y);
        }

        return ['cone' => array_values($cone), 'chief' => array_values($chief)];
    }

    /** The places of one more row of a sweep. */
    public function add(Rig $rig, Axis $axis, Reading $reading): void
    {
        $this->frontMm[] = ($axis->frontMm[$this->part] ?? 0.0) + $axis->converterMm;
        $this->tipMm[] = $axis->front + $axis->converterMm;
        foreach (LightPath::of($rig, $axis, $reading)->groups as $k => $group) {
            $columns = $this->groups[$k] ?? ['zi' => [], 'zo' => [], 'cone' => [], 'chief' => []];
            $columns['zi'][] = $group['zi'];
            $columns['zo'][] = $group['zo'];
            $columns['cone'][] = $group['cone'];
            $columns['chief'][] = $group['chief'];
            $this->groups[$k] = $columns;
        }
    }
}
