<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;

/** What an entry of a log says in figures: what was measured, what was predicted then, and of which rig. */
final readonly class LoggedFigures
{
    public function __construct(public Rig $rig, public Values $measured, public Values $predicted)
    {
    }
}
