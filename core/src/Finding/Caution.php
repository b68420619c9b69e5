<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

/** A usual caution, shown where it applies (handbook, "Care for people, animals and things"). Local rules come first. */
final readonly class Caution
{
    private function __construct(public string $code, public string $text)
    {
    }

    /** The caution of that code: `sun`, `cold`, `water`, `stings`, `protected`, `hot`, `heavy`, `thread`, `flash`. */
    public static function of(string $code): self
    {
        return new self($code, match ($code) {
            'sun' => 'Never point the rig at the sun or leave it lying in it: it burns eyes, sensors and cloth. Don’t look through an optical finder with the sun or a laser in the field.',
            'stings' => 'Stinging, biting or poisonous: keep the working distance, and know your allergies.',
            'protected' => 'Protected species, nests and reserves: follow the local law and the warden. Put the subject back; don’t chill, glue or trap animals for a picture.',
            'hot' => 'Hot lamps burn fingers, melt subjects and set diffusers alight. Keep mains leads away from water.',
            'flash' => 'Don’t fire a strong flash a hand’s width from eyes, human or animal. Flash tubes and their capacitors stay closed.',
            'heavy' => 'A long rig tips over: check every clamp before letting go, put the weight over a leg, sandbag it, and hang nothing off a plastic mount.',
            'thread' => 'Don’t force a thread.',
            'cold' => 'Cover fingers and face and come in to warm up. Bring gear back in a closed bag against dew; batteries fade.',
            'water' => 'Training, buddy and plan come before any picture. Check seals, tie loose lenses on, let no bubbles stay between port and wet lens; hold on to nothing living. Follow your training agency and local rules.',
            'glass' => 'Broken glass, slides, needles and mounting media: gloves, ventilation and the usual care. Some old lens glass is mildly radioactive.',
            default => throw new \DomainException('There is no caution called '.$code),
        });
    }
}
