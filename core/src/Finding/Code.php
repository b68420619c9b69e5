<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** Every mistake that is caught, by the handbook's name. */
enum Code: string
{
    case JointMismatch = 'joint-mismatch';
    case ThreadLookalike = 'thread-lookalike';
    case FocusInside = 'focus-inside';
    case NoImage = 'no-image';
    case ApertureStuck = 'aperture-stuck';
    case GripFouls = 'grip-fouls';
    case Touching = 'touching';
    case LightShutOut = 'light-shut-out';
    case Vignette = 'vignette';
    case OutsideWindow = 'outside-window';
    case InfinityLost = 'infinity-lost';
    case InfinityOvershot = 'infinity-overshot';
    case DiopterStrong = 'diopter-strong';
    case StackedDioptersOrder = 'stacked-diopters-order';
    case AddsLittle = 'adds-little';
    case TurnItRound = 'turn-it-round';
    case Unsuited = 'unsuited';
    case Diffraction = 'diffraction';
    case SliceThin = 'slice-thin';
    case Sway = 'sway';
    case HeavyFront = 'heavy-front';
    case ScrewLoose = 'screw-loose';
    case DataDisagree = 'data-disagree';
    case NoShoulder = 'no-shoulder';
    case BareRear = 'bare-rear';
    case BodyUncoupled = 'body-uncoupled';
    case Flare = 'flare';
}
