<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Rig\Rig;

/** A row of a card, and the rig it is of, so that it can be set up. */
final readonly class CardRow
{
    /** @param  list<float|string|null>  $values  null = none, INF = infinite where the unit is mm */
    public function __construct(public string $label, public array $values, public ?Rig $rig = null)
    {
    }
}
