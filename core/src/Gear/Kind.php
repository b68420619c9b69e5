<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What a part is. The values are the `kind` of the rig and kit files. */
enum Kind: string
{
    case Camera = 'camera';
    case Adapter = 'adapter';
    case Tube = 'tube';
    case ReversingRing = 'reversing-ring';
    case CouplingRing = 'coupling-ring';
    case StepRing = 'step-ring';
    case Filter = 'filter';
    case Hood = 'hood';
    case Helicoid = 'helicoid';
    case Bellows = 'bellows';
    case Lens = 'lens';
    case CloseUpLens = 'close-up-lens';
    case Objective = 'objective';
    case Teleconverter = 'teleconverter';
    /** Tele or wide converter in front of a built-in or wet lens. */
    case Afocal = 'afocal';
    case Port = 'port';
    case Rail = 'rail';
    case Tripod = 'tripod';
    case Stand = 'stand';
    case Flash = 'flash';
    case Lamp = 'lamp';
    case Reference = 'reference';

    /** In words: `reversing ring`, `close-up lens`. */
    public function spoken(): string
    {
        return match ($this) {
            self::CloseUpLens => 'close-up lens',
            self::Afocal => 'afocal converter',
            default => str_replace('-', ' ', $this->value),
        };
    }

    /** Whether a part of this kind can stand in a rig's chain. */
    public function inChain(): bool
    {
        return match ($this) {
            self::Camera, self::Rail, self::Tripod, self::Stand, self::Flash, self::Lamp, self::Reference => false,
            default => true,
        };
    }

    /** Whether the part only adds length: nothing in it bends light, nothing in it moves. */
    public function isFixedSpacer(): bool
    {
        return match ($this) {
            self::Adapter, self::Tube, self::ReversingRing, self::CouplingRing, self::StepRing, self::Filter, self::Hood => true,
            default => false,
        };
    }

    /** Whether it stands between camera and first lens, or leads from one thread to another in front of it. */
    public function isRing(): bool
    {
        return match ($this) {
            self::Adapter, self::Tube, self::ReversingRing, self::CouplingRing, self::StepRing, self::Helicoid, self::Bellows => true,
            default => false,
        };
    }

    /** Whether the part has refracting power of its own. */
    public function isOptical(): bool
    {
        return match ($this) {
            self::Lens, self::CloseUpLens, self::Objective, self::Afocal => true,
            default => false,
        };
    }
}
