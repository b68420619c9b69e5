<?php

declare(strict_types=1);

namespace App\Outings;

use ZincThimble\Core\Gear\Values;

/** A small picture as an entry keeps it, as bytes: JPEG or WebP, and nothing that isn't what it says it is. */
final readonly class SmallPicture
{
    private function __construct(public string $type, public string $bytes)
    {
    }

    /** null = there is none, or it is something else. */
    public static function of(Values $picture): ?self
    {
        if (preg_match('#^data:(image/(?:jpeg|webp));base64,([A-Za-z0-9+/]+=*)$#D', $picture->stringOr('small', ''), $found) !== 1) {
            return null;
        }
        $bytes = base64_decode($found[2], true);
        $begins = $found[1] === 'image/jpeg' ? "\xFF\xD8\xFF" : 'RIFF';

        return $bytes !== false && str_starts_with($bytes, $begins) ? new self($found[1], $bytes) : null;
    }
}
