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
    /** Which of three stops is sharpest from front to back. */
    case WhichStop = 'which-stop';
    /** How it is stopped down: by the camera, by hand, or by a way round. */
    case WayToStop = 'way-to-stop';
    /** Which of three is wrong with this rig. */
    case SpotFault = 'spot-fault';
    /** How much room there is, by the drawing alone. */
    case ReadDrawing = 'read-drawing';

    /**
     * Ends of the scale that it is answered on, the same for all questions of the kind: it tells nothing of the answer.
     *
     * @return array{float, float}
     */
    public function scale(): array
    {
        return match ($this) {
            self::TubeMagnifies, self::TubeAdds, self::TurnedMagnifies, self::GlassMagnifies => [0.02, 10.0],
            self::TubeWanted => [2.0, 500.0],
            self::RoomLeft, self::TurnedRoom, self::ReadDrawing => [5.0, 1000.0],
            self::FromSensor, self::GlassFurthest => [20.0, 2000.0],
            self::StopsLost => [0.0, 8.0],
            self::RealAperture => [1.0, 100.0],
            self::TimesLonger => [1.0, 100.0],
            self::SliceDeep => [0.005, 10.0],
            self::FramesNeeded => [1.0, 500.0],
            self::Joins, self::LargerOfTwo, self::KeepsInfinity, self::WhichStop, self::WayToStop, self::SpotFault => [0.0, 3.0],
        };
    }

    /** From where its plane of focus is asked for, `front` or `sensor`: a drawing would tell it. Null = something else is asked for. */
    public function planeFrom(): ?string
    {
        return match ($this) {
            self::RoomLeft, self::TurnedRoom, self::GlassFurthest => 'front',
            self::FromSensor => 'sensor',
            default => null,
        };
    }

    public function skill(): Skill
    {
        return match ($this) {
            self::TubeMagnifies, self::TubeWanted, self::TubeAdds, self::LargerOfTwo => Skill::Tube,
            self::RoomLeft, self::FromSensor, self::KeepsInfinity, self::ReadDrawing => Skill::Room,
            self::StopsLost, self::RealAperture, self::TimesLonger => Skill::Light,
            self::TurnedMagnifies, self::TurnedRoom => Skill::Turned,
            self::GlassMagnifies, self::GlassFurthest => Skill::CloseUp,
            self::Joins, self::WayToStop, self::SpotFault => Skill::Joins,
            self::SliceDeep, self::FramesNeeded, self::WhichStop => Skill::Slice,
        };
    }
}
