<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/** What is practised, and how well it is known told for each by itself. */
enum Skill: string
{
    case Tube = 'tube';
    case Room = 'room';
    case Light = 'light';
    case Turned = 'turned';
    case CloseUp = 'close-up';
    case Joins = 'joins';
    case Slice = 'slice';
}
