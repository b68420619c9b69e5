<?php

declare(strict_types=1);

namespace ZincThimble\Core\Trace;

/**
 * Two rays traced once through an axis, from the sensor outwards (OPTICS.md, "Frame of reference"): the axial ray
 * (y = 0, t = 1 at the sensor) and the field ray (y = 1, t = 0). Every other ray is a sum of the two, the chief ray
 * among them.
 */
final class Rays
{
    /** @var list<float> height of the axial ray at each opening */
    public array $axialAt = [];

    /** @var list<float> height of the field ray at each opening */
    public array $fieldAt = [];

    /** Axial ray after the last group: height and slope at its subject-side principal plane. */
    public float $y = 0.0;

    public float $t = 1.0;

    /** Field ray there. */
    public float $fieldY = 1.0;

    public float $fieldT = 0.0;

    /** That plane, mm from the sensor. */
    public float $zLast = 0.0;

    private function __construct()
    {
    }

    /** Traces the axial and the field ray through all groups and openings of an axis. */
    public static function through(Axis $axis): self
    {
        $rays = new self;
        $zi = $axis->zi;
        $zo = $axis->zo;
        $phi = $axis->phi;
        $openZ = $axis->openZ;
        $openSpace = $axis->openSpace;
        $groups = count($phi);
        $openings = count($openZ);
        $y = 0.0;
        $t = 1.0;
        $fy = 1.0;
        $ft = 0.0;
        $z = 0.0;
        $axialAt = [];
        $fieldAt = [];
        $o = 0;
        for ($k = 0; $k <= $groups; $k++) {
            // Openings come in the order of their spaces.
            while ($o < $openings && $openSpace[$o] === $k) {
                $d = $openZ[$o] - $z;
                $axialAt[] = $y + $t * $d;
                $fieldAt[] = $fy + $ft * $d;
                $o++;
            }
            if ($k === $groups) {
                break;
            }
            $d = $zi[$k] - $z;
            $power = $phi[$k];
            $y += $t * $d;
            $t -= $y * $power;
            $fy += $ft * $d;
            $ft -= $fy * $power;
            $z = $zo[$k];
        }
        $rays->axialAt = $axialAt;
        $rays->fieldAt = $fieldAt;
        $rays->y = $y;
        $rays->t = $t;
        $rays->fieldY = $fy;
        $rays->fieldT = $ft;
        $rays->zLast = $z;

        return $rays;
    }
}
