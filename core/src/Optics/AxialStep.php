<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

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

    /** LENS: 1/f at the closest less 1/f at infinity. */
    public float $phiWay = 0.0;

    public float $register = 0.0;

    /** LENS: principal gap, and what the ring does to it, mm. */
    public float $gap = 0.0;

    public float $gapWay = 0.0;

    /** LENS: flange to rim, and how far the ring moves it, mm. */
    public float $rim = 0.0;

    public float $rimWay = 0.0;

    public float $m0 = 0.0;

    /** LENS: whether its ring changes its power, not only its place. */
    public bool $bends = false;

    /** LENS: rear protrusion when reversed, mm; -1 = the usual way round. */
    public float $tip = -1.0;

    /** LENS: where the ring stands when no travel moves it. */
    public float $focus = 0.0;

    /**
     * @param  int  $travel  index into the travels moved, -1 = none
     * @param  float  $value  AIR: length, mm; THIN and LENS: power at infinity, 1/mm
     */
    public function __construct(public readonly int $kind, public readonly int $travel, public readonly float $value)
    {
    }
}
