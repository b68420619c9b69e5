<?php

declare(strict_types=1);

namespace App\Bench\Steps;

/** What a step at the bench does; the values are its `action` on the wire. */
enum StepAction: string
{
    case Set = 'set';
    case Insert = 'insert';
    case Remove = 'remove';
    case Turn = 'turn';
    case Move = 'move';
    case Swap = 'swap';
    case Camera = 'camera';
    case Mend = 'mend';
    case Solve = 'solve';
    case Describe = 'describe';
    case Makeshift = 'makeshift';

    /** @return class-string<Step> */
    public function step(): string
    {
        return match ($this) {
            self::Set => SetTravel::class,
            self::Insert => Insert::class,
            self::Remove => Remove::class,
            self::Turn => Turn::class,
            self::Move => Move::class,
            self::Swap => Swap::class,
            self::Camera => ChangeCamera::class,
            self::Mend => Mend::class,
            self::Solve => SolveFor::class,
            self::Describe => Describe::class,
            self::Makeshift => Makeshift::class,
        };
    }
}
