<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Trace\Axis;
use ZincThimble\Core\Trace\Rays;

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

    public function add(Rig $rig, Axis $axis, Rays $rays, Reading $reading): void
    {
        $this->frontMm[] = ($axis->frontMm[$this->part] ?? 0.0) + $axis->converterMm;
        $this->tipMm[] = $axis->front + $axis->converterMm;
        foreach (LightPath::of($rig, $axis, $rays, $reading)->groups as $k => $group) {
            $columns = $this->groups[$k] ?? ['zi' => [], 'zo' => [], 'cone' => [], 'chief' => []];
            $columns['zi'][] = $group['zi'];
            $columns['zo'][] = $group['zo'];
            $columns['cone'][] = $group['cone'];
            $columns['chief'][] = $group['chief'];
            $this->groups[$k] = $columns;
        }
    }
}
