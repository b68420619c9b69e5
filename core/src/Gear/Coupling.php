<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What of the coupling between camera and lens a part lets through. */
final readonly class Coupling
{
    public function __construct(public bool $contacts = false, public bool $lever = false)
    {
    }

    /** @param  list<string>  $passes */
    public static function of(array $passes): self
    {
        return new self(in_array('contacts', $passes, true), in_array('lever', $passes, true));
    }

    /** What is left of the coupling behind a part that passes on only some of it. */
    public function through(self $next): self
    {
        return new self($this->contacts && $next->contacts, $this->lever && $next->lever);
    }
}
