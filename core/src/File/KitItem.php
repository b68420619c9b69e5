<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Kind;

/** One thing that a person owns, as its checked fields. */
final readonly class KitItem
{
    /** @param  array<string, mixed>  $fields in the order of the format, unknown keys last */
    public function __construct(public Kind $kind, public array $fields)
    {
    }
}
