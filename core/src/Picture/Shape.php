<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** The surface that a target is: how far each of its places is from the plane of focus, whose middle lies half-way through its depth. */
enum Shape: string
{
    /** A sheet that leans through its depth from one side to the other; without depth it lies flat. */
    case Sheet = 'sheet';
    /** Half an egg: its top nearest, its rim furthest. */
    case Dome = 'dome';
    /** Half a cylinder that stands upright: its middle line nearest, its sides furthest. */
    case Cylinder = 'cylinder';
    /** A face that stands before a ground. */
    case Step = 'step';
}
