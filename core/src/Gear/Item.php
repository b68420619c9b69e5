<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A thing that a person owns: a part of a rig, or what holds it, moves it or lights its subject. */
abstract readonly class Item
{
    public function __construct(
        public Kind $kind,
        public PartIdentity $identity,
        /** All fields as in the file, unknown ones included: what a round trip keeps. */
        public Values $document,
    ) {
    }

    /** Its name, or its kind where it has none. */
    public function label(): string
    {
        return $this->identity->name ?? ucfirst($this->kind->spoken());
    }
}
