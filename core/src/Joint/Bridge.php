<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Side;

/** The single part that would join two ends that nothing at hand joins: what to look for, by its measures. */
final readonly class Bridge
{
    private function __construct(
        public Kind $kind,
        public Joint $rear,
        public Side $rearSide,
        public Joint $front,
        public Side $frontSide,
        /** Thickness at which a lens made for the far joint keeps infinity, mm; null = not known, below 0 = it can't. */
        public ?float $lengthMm,
    ) {
    }

    /**
     * @param  JointEnd  $front  the end nearer to the camera
     * @param  JointEnd  $rear  the end that is to go on it
     * @param  ?float  $nearRegisterMm  register at the camera, when both are mounts
     * @param  ?float  $farRegisterMm  register the lens was made for
     * @return ?self null when an end is not known, does not come off, or needs no part (a clip, tape)
     */
    public static function between(JointEnd $front, JointEnd $rear, ?float $nearRegisterMm = null, ?float $farRegisterMm = null): ?self
    {
        $near = $front->main();
        $far = $rear->main();
        if ($near === null || $far === null || ! self::canBeMade($near) || ! self::canBeMade($far)) {
            return null;
        }
        $rearSide = $front->side === Side::Female ? Side::Male : Side::Female;
        $frontSide = $rear->side === Side::Female ? Side::Male : Side::Female;

        return new self(
            self::kindOf($near, $far, $rearSide, $frontSide),
            $near,
            $rearSide,
            $far,
            $frontSide,
            $nearRegisterMm !== null && $farRegisterMm !== null ? $farRegisterMm - $nearRegisterMm : null,
        );
    }

    /** How hard such a part is to come by: rings between threads are cheap and common, bayonets are cut to one family. */
    public function rank(): int
    {
        return ($this->rear->isThread() ? 0 : 1) + ($this->front->isThread() ? 0 : 1);
    }

    /** `an adapter, male tern to female thread M42×1, 27.1 mm long`. */
    public function spoken(): string
    {
        $name = match ($this->kind) {
            Kind::StepRing => 'a step ring',
            Kind::ReversingRing => 'a reversing ring',
            Kind::CouplingRing => 'a coupling ring',
            default => 'an adapter',
        };
        $length = $this->lengthMm !== null && $this->lengthMm > 0.0 ? sprintf(', %s mm long', round($this->lengthMm, 2)) : '';

        return sprintf('%s, %s %s to %s %s%s', $name, $this->rearSide->value, $this->rear->spoken(), $this->frontSide->value, $this->front->spoken(), $length);
    }

    private static function canBeMade(Joint $joint): bool
    {
        return in_array($joint->type, [JointType::Bayonet, JointType::Thread], true);
    }

    private static function kindOf(Joint $rear, Joint $front, Side $rearSide, Side $frontSide): Kind
    {
        return match (true) {
            $rear->isThread() && $front->isThread() => $rearSide === Side::Male && $frontSide === Side::Male ? Kind::CouplingRing : Kind::StepRing,
            $front->isThread() && $frontSide === Side::Male => Kind::ReversingRing,
            default => Kind::Adapter,
        };
    }
}
