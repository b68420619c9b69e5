<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** What a person can measure to learn more of a lens or a glass (OPTICS.md, "How sure": "What would settle it"). */
enum MeasurementWay: string
{
    case RulerHere = 'ruler-here';
    case DistanceHere = 'distance-here';
    case RulerAndDistanceHere = 'ruler-and-distance-here';
    case RulerUsual = 'ruler-usual';
    case RulerTurned = 'ruler-turned';
    case RulerClosest = 'ruler-closest';
    case Pupils = 'pupils';
    case Window = 'window';
    case Rim = 'rim';
    case ShownAtClosest = 'shown-at-closest';
    case Power = 'power';

    /** What it costs a person, beside a ruler held in front of the rig that stands there. */
    public function trouble(): float
    {
        return match ($this) {
            self::Rim, self::ShownAtClosest => 0.6,
            self::RulerHere, self::DistanceHere, self::Window => 1.0,
            self::Pupils, self::Power => 1.2,
            self::RulerAndDistanceHere, self::RulerClosest => 1.5,
            self::RulerUsual, self::RulerTurned => 2.0,
        };
    }

    /** As the beginning of a sentence. */
    public function spoken(string $part): string
    {
        return match ($this) {
            self::RulerHere => 'A ruler shot of this rig',
            self::DistanceHere => 'The working distance of this rig, measured once',
            self::RulerAndDistanceHere => 'A ruler shot of this rig with its working distance',
            self::RulerUsual => "A ruler shot of {$part} on a tube, with its working distance",
            self::RulerTurned => "A ruler shot of {$part} turned round, with its working distance",
            self::RulerClosest => "A ruler shot of {$part} with its ring at the closest, and the distance from the sensor",
            self::Pupils => "Both pupils of {$part}, seen from over a metre",
            self::Window => "A look at a far window through {$part}",
            self::Rim => "The length of {$part} from flange to front rim",
            self::ShownAtClosest => "The f-number the camera shows wide open with {$part} at its closest",
            self::Power => "How far from {$part} a ruler is sharp with the lens at infinity",
        };
    }
}
