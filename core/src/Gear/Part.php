<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A thing that can stand in a rig's chain, as it is; how it is set belongs to the rig (Rig\Setting). */
abstract readonly class Part extends Item
{
    /** Length the part adds to the rig when it is set as short as it goes, mm; 0 for what has none of its own. */
    abstract public function shortestMm(): float;
}
