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
        $cones = [];
        foreach ($read->endMm as $row => $end) {
            $self->frontMm[] = $end + $shift;
            $self->tipMm[] = $end + $train->toMetal + $shift;
            $cones[] = $read->effectiveAperture[$row] === null ? null : 1.0 / (2.0 * $read->traced[$row]);
        }
        $chiefs = [];
        foreach ($read->chief as $row => $x) {
            $chiefs[] = $read->image[$row] === Image::Real ? $x : null;
        }
        foreach ($train->behindGroupA as $k => $height) {
            $field = $train->behindGroupF[$k];
            $rows = count($read->endMm);
            $self->groups[] = [
                'zi' => array_fill(0, $rows, $train->behindZi[$k] + $shift),
                'zo' => array_fill(0, $rows, $train->behindZo[$k] + $shift),
                'cone' => array_map(static fn (?float $cone): ?float => $cone === null ? null : $height * $cone, $cones),
                'chief' => array_map(static fn (?float $x): ?float => $x === null ? null : $corner * ($field + $x * $height), $chiefs),
            ];
        }
        if ($read->ownZi !== []) {
            $zi = $zo = $cone = $chief = [];
            foreach ($read->ownZi as $row => $at) {
                $height = $read->ownY[$row];
                $x = $chiefs[$row];
                $zi[] = $at + $shift;
                $zo[] = $read->ownZo[$row] + $shift;
                $cone[] = $cones[$row] === null ? null : $height * $cones[$row];
                $chief[] = $x === null ? null : $corner * ($read->ownFieldY[$row] + $x * $height);
            }
            $self->groups[] = ['zi' => $zi, 'zo' => $zo, 'cone' => $cone, 'chief' => $chief];
        }
        foreach ($train->groupAlpha as $k => $alpha) {
            $beta = $train->groupBeta[$k];
            $zi = $zo = $cone = $chief = [];
            foreach ($read->endMm as $row => $end) {
                $height = $alpha * $read->endY[$row] + $beta * $read->endT[$row];
                $x = $chiefs[$row];
                $zi[] = $end + $train->frontZi[$k] + $shift;
                $zo[] = $end + $train->frontZo[$k] + $shift;
                $cone[] = $cones[$row] === null ? null : $height * $cones[$row];
                $chief[] = $x === null ? null : $corner * ($alpha * $read->endFieldY[$row] + $beta * $read->endFieldT[$row] + $x * $height);
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
