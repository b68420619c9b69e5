<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Optics\SplitSystem;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\TrainReadings;
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
    public static function along(SplitSystem $train, Rig $rig, Travel $travel, TrainReadings $read): self
    {
        $self = new self($travel->part);
        $axis = $train->axis;
        $shift = $axis->converterMm;
        $corner = Vignetting::cornerMm($rig) / $axis->factor;
        $toTip = $train->toMetal + $shift;
        $ends = $read->endMm;
        $rows = count($ends);
        $front = $tip = array_fill(0, $rows, 0.0);
        foreach ($ends as $row => $end) {
            $front[$row] = $end + $shift;
            $tip[$row] = $end + $toTip;
        }
        $self->frontMm = array_values($front);
        $self->tipMm = array_values($tip);
        $cones = $read->cone;
        $chiefs = $read->chief;
        $still = static fn (float $value): array => array_fill(0, $rows, $value);
        foreach ($train->behindGroupA as $k => $height) {
            $y = $still($height);
            $fieldY = $still($train->behindGroupF[$k]);
            $self->groups[] = self::group(1.0, 0.0, $y, $y, $fieldY, $fieldY, $still($train->behindZi[$k]), $shift, $still($train->behindZo[$k]), $shift, $cones, $chiefs, $corner);
        }
        if ($read->ownZi !== []) {
            $self->groups[] = ['zi' => $read->ownZi, 'zo' => $read->ownZo, 'cone' => $read->ownCone, 'chief' => $read->ownChief];
        }
        foreach ($train->groupAlpha as $k => $alpha) {
            $self->groups[] = self::group($alpha, $train->groupBeta[$k], $read->endY, $read->endT, $read->endFieldY, $read->endFieldT, $ends, $train->frontZi[$k] + $shift, $ends, $train->frontZo[$k] + $shift, $cones, $chiefs, $corner);
        }

        return $self;
    }

    /**
     * One group: its planes, and how high cone and chief ray stand there, place by place.
     *
     * @param  float  $alpha  the axial ray is `alpha y + beta t` high there, the field ray likewise
     * @param  list<float>  $y
     * @param  list<float>  $t
     * @param  list<float>  $fieldY
     * @param  list<float>  $fieldT
     * @param  list<float>  $zi  image-side principal plane, less the next
     * @param  list<float>  $zo  subject-side principal plane, less the next
     * @param  array<int, ?float>  $cones  the axial ray's share in the rim of the cone; null = nothing known limits it
     * @param  array<int, ?float>  $chiefs  its share in the chief ray; null = there is none
     * @param  float  $corner  height in the image that the chief ray belongs to, mm
     * @return array{zi: list<float>, zo: list<float>, cone: list<?float>, chief: list<?float>}
     */
    private static function group(float $alpha, float $beta, array $y, array $t, array $fieldY, array $fieldT, array $zi, float $toZi, array $zo, float $toZo, array $cones, array $chiefs, float $corner): array
    {
        $rows = count($y);
        $atZi = $atZo = array_fill(0, $rows, 0.0);
        $cone = $chief = array_fill(0, $rows, null);
        foreach ($y as $row => $one) {
            $height = $alpha * $one + $beta * $t[$row];
            $atZi[$row] = $zi[$row] + $toZi;
            $atZo[$row] = $zo[$row] + $toZo;
            $narrow = $cones[$row];
            if ($narrow !== null) {
                $cone[$row] = $height * $narrow;
            }
            $x = $chiefs[$row];
            if ($x !== null) {
                $chief[$row] = $corner * ($alpha * $fieldY[$row] + $beta * $fieldT[$row] + $x * $height);
            }
        }

        return ['zi' => array_values($atZi), 'zo' => array_values($atZo), 'cone' => array_values($cone), 'chief' => array_values($chief)];
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
