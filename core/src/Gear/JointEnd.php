<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** One end of a part: which half it is, and the standards it offers there (its joint and any `also…`). */
final readonly class JointEnd
{
    /** @param  list<Joint>  $joints the first is the one the part is known by; empty = not known */
    public function __construct(public Side $side, public array $joints)
    {
    }

    /** Ends of one signature mate with the same ends: the half, and every standard that is offered. */
    public function signature(): string
    {
        return $this->side->value.' '.implode(' | ', array_map(static fn (Joint $joint): string => $joint->isThread() ? sprintf('%.6f x %.6f', $joint->diameterMm, $joint->pitchMm) : $joint->name, $this->joints));
    }

    /** The joint the end is known by; null = not known. */
    public function main(): ?Joint
    {
        return $this->joints[0] ?? null;
    }
}
