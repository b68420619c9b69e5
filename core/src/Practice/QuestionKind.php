<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/** What may be asked. */
enum QuestionKind: string
{
    /** How large, with so much tube. */
    case TubeMagnifies = 'tube-magnifies';
    /** How much tube for so large. */
    case TubeWanted = 'tube-wanted';
    /** How large, with another tube put in. */
    case TubeAdds = 'tube-adds';
    case RoomLeft = 'room-left';
    case FromSensor = 'from-sensor';
    case StopsLost = 'stops-lost';
    case RealAperture = 'real-aperture';
    /** How many times longer a meter that doesn't look through the lens has to be corrected. */
    case TimesLonger = 'times-longer';
    case TurnedMagnifies = 'turned-magnifies';
    case TurnedRoom = 'turned-room';
    /** How large, with a close-up lens and the ring at infinity. */
    case GlassMagnifies = 'glass-magnifies';
    /** How far off at the most, with a close-up lens. */
    case GlassFurthest = 'glass-furthest';
    case SliceDeep = 'slice-deep';
    case FramesNeeded = 'frames-needed';
    /** Whether one screws onto the other. */
    case Joins = 'joins';
    /** Which of two magnifies more. */
    case LargerOfTwo = 'larger-of-two';
    case KeepsInfinity = 'keeps-infinity';

    public function skill(): Skill
    {
        return match ($this) {
            self::TubeMagnifies, self::TubeWanted, self::TubeAdds, self::LargerOfTwo => Skill::Tube,
            self::RoomLeft, self::FromSensor, self::KeepsInfinity => Skill::Room,
            self::StopsLost, self::RealAperture, self::TimesLonger => Skill::Light,
            self::TurnedMagnifies, self::TurnedRoom => Skill::Turned,
            self::GlassMagnifies, self::GlassFurthest => Skill::CloseUp,
            self::Joins => Skill::Joins,
            self::SliceDeep, self::FramesNeeded => Skill::Slice,
        };
    }
}
