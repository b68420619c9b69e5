<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** The families of joints. */
enum JointType
{
    case Bayonet;
    case Thread;
    /** A spring clip that grips any front of a range of diameters. */
    case Clip;
    /** Tape: mates with anything. */
    case Improvised;
    /** The seat of a lens that does not come off its camera. */
    case Fixed;
}
