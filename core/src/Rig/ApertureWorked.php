<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\ApertureControl;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Coupling;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/**
 * How the aperture of a rig can be worked (handbook, "How the aperture is worked").
 */
enum ApertureWorked: string
{
    /** Contacts and lever both reach the lens. */
    case Full = 'full';
    /** By the camera, over the contacts. */
    case Contacts = 'contacts';
    /** By the camera, over the lever. */
    case Lever = 'lever';
    /** By hand, with the latch at the bellows' front, or a ring with a lever or cable at the far end of a reversed lens. */
    case Latch = 'latch';
    /** By a ring on the lens (or there is nothing to work). */
    case Ring = 'ring';
    /** Stop down first, then take the lens off and put it on the rig. */
    case Detach = 'detach';
    /** Its lever wedged or taped where it is wanted: it stays there. */
    case Makeshift = 'makeshift';
    /** Not at all. */
    case Stuck = 'stuck';

    /**
     * @param  list<Part>  $chain
     * @param  ?int  $lensAt  place of the lens to be worked; null = none
     * @param  array<int, bool>  $makeshift  as in Setting
     */
    public static function through(Camera $camera, array $chain, ?int $lensAt, array $makeshift = []): self
    {
        if ($lensAt === null) {
            return self::Ring;
        }
        $lens = $chain[$lensAt];
        if (! $lens instanceof Lens) {
            return self::Ring;
        }
        $passes = $camera->passes;
        $latch = false;
        $turned = false;
        for ($i = 0; $i < $lensAt; $i++) {
            $part = $chain[$i];
            $passes = $passes->through($part->identity->passes);
            // A latch works what stands before it, as long as the lever goes through what lies between.
            $latch = $part instanceof Bellows ? $part->latch : $latch && $part->identity->passes->lever;
            // With its plate turned round it works the end that a reversed lens shows the subject; the ring it sits on is no matter.
            $turned = $part instanceof Bellows ? $part->latch && ($makeshift[$i] ?? false) : $turned && $part->kind === Kind::ReversingRing;
        }
        $wired = $lensAt > 0 && $chain[$lensAt - 1]->identity->passes->contacts;
        $ahead = $chain[$lensAt + 1] ?? null;
        $atFarEnd = $lens->reversed && ($turned || $ahead instanceof Spacer && $ahead->latch);

        return self::of($lens, $passes, $latch && ! $turned, $wired, $camera->isBuiltIn(), $atFarEnd, $makeshift[$lensAt] ?? false);
    }

    /**
     * How the diaphragm of one lens can be worked by what reaches it.
     *
     * @param  Coupling  $passes  what the camera and all that stands behind the lens let through
     * @param  bool  $latch  whether the latch of a bellows reaches it
     * @param  bool  $wired  whether the part directly behind it carries signals
     * @param  bool  $atFarEnd  of a reversed lens: whether a lever or cable works the end that faces the subject
     * @param  bool  $makeshift  whether its lever is wedged or taped
     */
    public static function of(Lens $lens, Coupling $passes, bool $latch, bool $wired, bool $builtIn, bool $atFarEnd = false, bool $makeshift = false): self
    {
        if ($builtIn) {
            return self::Full;
        }
        if ($lens->reversed) {
            // Turned round, its levers and contacts face the subject; only a wired pair of rings carries signals.
            $passes = new Coupling($wired && $passes->contacts, false);
            $latch = $atFarEnd;
        }
        $control = $lens->aperture->control;
        if ($control === ApertureControl::Ring || $control === ApertureControl::None) {
            return self::Ring;
        }
        if ($control === ApertureControl::Electronic) {
            return match (true) {
                $passes->contacts && $passes->lever => self::Full,
                $passes->contacts => self::Contacts,
                default => self::Detach,
            };
        }

        return match (true) {
            $passes->contacts && $passes->lever => self::Full,
            $passes->lever => self::Lever,
            $latch => self::Latch,
            $lens->aperture->rest === 'set' => self::Ring,
            $makeshift => self::Makeshift,
            default => self::Stuck,
        };
    }

    /** Whether a part can help: a lever that can be wedged or taped, or bellows whose latch can be turned to the other side. */
    public static function takesMakeshift(Part $part): bool
    {
        return $part instanceof Lens && $part->aperture->control === ApertureControl::Lever || $part instanceof Bellows && $part->latch;
    }

    /** Whether the camera works it by itself. */
    public function isAutomatic(): bool
    {
        return $this === self::Full || $this === self::Contacts || $this === self::Lever;
    }
}
