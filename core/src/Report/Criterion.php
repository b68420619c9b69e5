<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

/** What people decide by between rigs, by the name of the reading that tells it. */
enum Criterion: string
{
    /** Room before the rig. */
    case Room = 'workingDistanceMm';
    /** Light that is left. */
    case Light = 'effectiveAperture';
    /** Finest lines told apart. */
    case Detail = 'resolvedDetailMm';
    /** Depth of one picture. */
    case Slice = 'depthOfFieldMm';
    case Mass = 'massG';
    case Price = 'price';
    /** Joints to be undone and done up. */
    case Joints = 'joints';
    /** Whether the camera works the aperture: 1 or 0. */
    case Coupled = 'coupled';

    /** Whether more of it is better. */
    public function isMoreBetter(): bool
    {
        return in_array($this, [self::Room, self::Slice, self::Coupled], true);
    }
}
