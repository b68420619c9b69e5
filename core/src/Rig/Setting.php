<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

/**
 * How a rig is set: one place per part of the chain in each, null where that part has no such control or it was
 * left alone.
 */
final readonly class Setting
{
    /**
     * @param  array<int, ?float>  $lengthMm  helicoids and bellows: length, mm
     * @param  array<int, ?float>  $focus  lenses: focus ring, 0 infinity to 1 closest
     * @param  array<int, ?float>  $aperture  lenses: marked f-number
     * @param  array<int, ?float>  $zoomMm  lenses: focal length a zoom is set to
     * @param  array<int, ?float>  $swingDeg  bellows
     * @param  array<int, ?float>  $shiftMm  bellows
     * @param  ?int  $working  place of the lens whose diaphragm is in use; null = the one nearest the camera
     */
    public function __construct(
        public array $lengthMm,
        public array $focus,
        public array $aperture,
        public array $zoomMm,
        public array $swingDeg,
        public array $shiftMm,
        public ?int $working,
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
        $lengthMm = $this->lengthMm;
        $focus = $this->focus;
        $aperture = $this->aperture;
        $zoomMm = $this->zoomMm;
        $swingDeg = $this->swingDeg;
        $shiftMm = $this->shiftMm;
        match ($kind) {
            TravelKind::Length => $lengthMm[$part] = $value,
            TravelKind::Focus => $focus[$part] = $value,
            TravelKind::Aperture => $aperture[$part] = $value,
            TravelKind::Zoom => $zoomMm[$part] = $value,
            TravelKind::Swing => $swingDeg[$part] = $value,
            TravelKind::Shift => $shiftMm[$part] = $value,
        };

        return new self($lengthMm, $focus, $aperture, $zoomMm, $swingDeg, $shiftMm, $this->working);
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
}
