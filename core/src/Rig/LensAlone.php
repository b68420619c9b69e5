<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;

/** A lens with no other glass before or behind it: a rig from which a shot of it can be told (OPTICS.md, "Shots"). */
final readonly class LensAlone
{
    private function __construct(
        public int $index,
        public Lens $lens,
        /** Everything between camera and lens, mm. */
        public float $spacersMm,
        /** Whether nothing stands in front of it, so that what is measured to the front-most metal is measured to its own. */
        public bool $isFrontMost,
    ) {
    }

    /** The lens at a place of a rig; null = it isn't one, or stands with other glass. */
    public static function at(Rig $rig, int $index): ?self
    {
        $lens = $rig->chain[$index] ?? null;
        $spacers = 0.0;
        foreach ($rig->chain as $i => $part) {
            if ($i !== $index && ($part->kind->isOptical() || $part->kind === Kind::Teleconverter)) {
                return null;
            }
            $spacers += $i < $index ? $rig->lengthMm($i) : 0.0;
        }

        return $lens instanceof Lens ? new self($index, $lens, $spacers, $index === count($rig->chain) - 1) : null;
    }

    /** The lens that a rig has, where it has just one piece of glass. */
    public static function of(Rig $rig): ?self
    {
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                return self::at($rig, $i);
            }
        }

        return null;
    }
}
