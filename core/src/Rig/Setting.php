<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/**
 * How a rig is set: one place per part of the chain in each, null where that part has no such control or it was
 * left alone.
 *
 * @immutable nothing but its own copies is ever written to: a copy costs a fifth of a constructor, and readings are made of copies
 */
final class Setting
{
    /**
     * @param  array<int, ?float>  $lengthMm  helicoids and bellows: length, mm
     * @param  array<int, ?float>  $focus  lenses: focus ring, 0 infinity to 1 closest
     * @param  array<int, ?float>  $aperture  lenses: marked f-number
     * @param  array<int, ?float>  $zoomMm  lenses: focal length a zoom is set to
     * @param  array<int, ?float>  $swingDeg  bellows
     * @param  array<int, ?float>  $shiftMm  bellows
     * @param  ?int  $working  place of the lens whose diaphragm is in use; null = the one nearest the camera
     * @param  array<int, bool>  $makeshift  lenses: the lever is wedged or taped where the ring stands; bellows: the front plate is turned round; close-up lenses: taped on
     */
    public function __construct(
        /** @phpstan-allow-private-mutation */
        public array $lengthMm,
        /** @phpstan-allow-private-mutation */
        public array $focus,
        /** @phpstan-allow-private-mutation */
        public array $aperture,
        /** @phpstan-allow-private-mutation */
        public array $zoomMm,
        /** @phpstan-allow-private-mutation */
        public array $swingDeg,
        /** @phpstan-allow-private-mutation */
        public array $shiftMm,
        public ?int $working,
        /** @phpstan-allow-private-mutation */
        public array $makeshift = [],
    ) {
    }

    /** Nothing touched yet. */
    public static function untouched(): self
    {
        return new self([], [], [], [], [], [], null);
    }

    /** The same setting with one control of one part changed; the value is not checked. */
    public function with(TravelKind $kind, int $part, float $value): self
    {
        $copy = clone $this;
        match ($kind) {
            TravelKind::Length => $copy->lengthMm[$part] = $value,
            TravelKind::Focus => $copy->focus[$part] = $value,
            TravelKind::Aperture => $copy->aperture[$part] = $value,
            TravelKind::Zoom => $copy->zoomMm[$part] = $value,
            TravelKind::Swing => $copy->swingDeg[$part] = $value,
            TravelKind::Shift => $copy->shiftMm[$part] = $value,
        };

        return $copy;
    }

    /** The same with a makeshift at one part, or without it. */
    public function withMakeshift(int $part, bool $used): self
    {
        $copy = clone $this;
        $copy->makeshift[$part] = $used;

        return $copy;
    }

    /** How one control of one part is set; null = left alone, or there is none. */
    public function of(TravelKind $kind, int $part): ?float
    {
        return match ($kind) {
            TravelKind::Length => $this->lengthMm[$part] ?? null,
            TravelKind::Focus => $this->focus[$part] ?? null,
            TravelKind::Aperture => $this->aperture[$part] ?? null,
            TravelKind::Zoom => $this->zoomMm[$part] ?? null,
            TravelKind::Swing => $this->swingDeg[$part] ?? null,
            TravelKind::Shift => $this->shiftMm[$part] ?? null,
        };
    }

    /** Whether every control stands where it stands there. */
    public function isSameAs(self $other): bool
    {
        return get_object_vars($this) === get_object_vars($other);
    }
}
