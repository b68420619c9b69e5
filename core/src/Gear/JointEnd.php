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

    /** The joint the end is known by; null = not known. */
    public function main(): ?Joint
    {
        return $this->joints[0] ?? null;
    }
}
