<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

use ZincThimble\Core\Rig\LensModel;

/**
 * One step of the axial ray: a stretch of air, a thin lens, or a photographic lens. Objects of plain numbers: reading one costs half
 * of what an element of a column held by another object does.
 *
 * @internal to AxialSampler
 */
final class AxialStep
{
    public const AIR = 0;

    public const THIN = 1;

    public const LENS = 2;

    /**
     * @param  int  $travel  index into the travels moved, -1 = none
     * @param  float  $value  AIR: length, mm; THIN and LENS: power at infinity, 1/mm
     * @param  float  $gap  THIN: from its image-side to its subject-side principal plane, mm
     * @param  float  $scale  THIN: what an afocal group does to a height
     * @param  ?LensModel  $lens  LENS: whose ring the travel turns
     * @param  float  $tip  LENS: rear protrusion when reversed, mm; -1 = the usual way round
     */
    public function __construct(
        public readonly int $kind,
        public readonly int $travel,
        public readonly float $value,
        public readonly float $gap = 0.0,
        public readonly float $scale = 1.0,
        public readonly ?LensModel $lens = null,
        public readonly float $tip = -1.0,
    ) {
    }
}
