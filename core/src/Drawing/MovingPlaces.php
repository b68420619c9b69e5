<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\TrainReadings;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\Train;

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
    public static function along(Train $train, Rig $rig, Travel $travel, TrainReadings $read): self
    {
        $self = new self($travel->part);
        $axis = $train->axis;
        $shift = $axis->converterMm;
        $corner = Vignetting::cornerMm($rig) / $axis->factor;
        $toTip = $train->toMetal + $shift;
        $images = $read->image;
        $limited = $read->effectiveAperture;
        $traced = $read->traced;
        $shares = $read->chief;
        $front = $tip = $cones = $chiefs = [];
        foreach ($read->endMm as $row => $end) {
            $front[] = $end + $shift;
            $tip[] = $end + $toTip;
            $cones[] = $limited[$row] === null ? null : 0.5 / $traced[$row];
            $chiefs[] = $images[$row] === Image::Real ? $shares[$row] : null;
        }
        $self->frontMm = $front;
        $self->tipMm = $tip;
        $rows = count($front);
        foreach ($train->behindGroupA as $k => $height) {
            $field = $train->behindGroupF[$k];
            $cone = $chief = [];
            foreach ($cones as $row => $narrow) {
                $x = $chiefs[$row];
                $cone[] = $narrow === null ? null : $height * $narrow;
                $chief[] = $x === null ? null : $corner * ($field + $x * $height);
            }
            $self->groups[] = ['zi' => array_fill(0, $rows, $train->behindZi[$k] + $shift), 'zo' => array_fill(0, $rows, $train->behindZo[$k] + $shift), 'cone' => $cone, 'chief' => $chief];
        }
        if ($read->ownZi !== []) {
            $ownZo = $read->ownZo;
            $ownY = $read->ownY;
            $ownFieldY = $read->ownFieldY;
            $zi = $zo = $cone = $chief = [];
            foreach ($read->ownZi as $row => $at) {
                $height = $ownY[$row];
                $x = $chiefs[$row];
                $narrow = $cones[$row];
                $zi[] = $at + $shift;
                $zo[] = $ownZo[$row] + $shift;
                $cone[] = $narrow === null ? null : $height * $narrow;
                $chief[] = $x === null ? null : $corner * ($ownFieldY[$row] + $x * $height);
            }
            $self->groups[] = ['zi' => $zi, 'zo' => $zo, 'cone' => $cone, 'chief' => $chief];
        }
        $ends = $read->endMm;
        $endY = $read->endY;
        $endT = $read->endT;
        $endFieldY = $read->endFieldY;
        $endFieldT = $read->endFieldT;
        foreach ($train->groupAlpha as $k => $alpha) {
            $beta = $train->groupBeta[$k];
            $toZi = $train->frontZi[$k] + $shift;
            $toZo = $train->frontZo[$k] + $shift;
            $zi = $zo = $cone = $chief = [];
            foreach ($ends as $row => $end) {
                $height = $alpha * $endY[$row] + $beta * $endT[$row];
                $x = $chiefs[$row];
                $narrow = $cones[$row];
                $zi[] = $end + $toZi;
                $zo[] = $end + $toZo;
                $cone[] = $narrow === null ? null : $height * $narrow;
                $chief[] = $x === null ? null : $corner * ($alpha * $endFieldY[$row] + $beta * $endFieldT[$row] + $x * $height);
            }
            $self->groups[] = ['zi' => $zi, 'zo' => $zo, 'cone' => $cone, 'chief' => $chief];
        }

        return $self;
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
