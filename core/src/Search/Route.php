<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

/** What makes a rig magnify; where several do, the one that comes last here. */
enum Route: string
{
    /** A lens by itself, by its own ring. */
    case Plain = 'plain';
    case Tubes = 'tubes';
    /** Bellows or helicoid. */
    case Bellows = 'bellows';
    case Diopter = 'diopter';
    case Reversed = 'reversed';
    case Coupled = 'coupled';
    case Objective = 'objective';

    /** The route of a front assembly on a stack of one of the routes of `Stacks`. */
    public static function of(self $front, int $stack): self
    {
        if ($front !== self::Plain) {
            return $front;
        }

        return match ($stack) {
            Stacks::BELLOWS => self::Bellows,
            Stacks::TUBES => self::Tubes,
            default => self::Plain,
        };
    }
}
