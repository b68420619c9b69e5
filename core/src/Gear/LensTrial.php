<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/**
 * The same edge photographed at several stops, light and place the same: which of them a lens is sharpest at, and what it blurs of its own
 * at each (OPTICS.md, "Measuring pictures"). It holds for one magnification and one way round.
 */
final readonly class LensTrial
{
    /** Standard deviation of a Gaussian blur times the cycles at which half of the contrast is left: `sqrt(ln 2 / 2) / pi`. */
    public const GAUSS = 0.187;

    /** Standard deviation of the diffraction spot over lambda Neff, and of a pixel over its pitch. */
    public const SPOT = 0.42;

    public const PIXEL = 0.29;

    /** Within so much of the sharpest nobody sees a difference. */
    private const AS_SHARP = 0.95;

    /** @param  list<TriedStop>  $stops  the widest first */
    public function __construct(
        public float $magnification,
        /** From pixel to pixel of the camera that took it, mm. */
        public float $pitchMm,
        public array $stops,
        public bool $reversed = false,
        public float $wavelengthNm = 550.0,
        /** Of a zoom; null = it is none. */
        public ?float $zoomMm = null,
        /** When, as written. */
        public ?string $at = null,
        public ?string $note = null,
    ) {
    }

    /** @throws InvalidFigure names the field that is missing */
    public static function from(Values $values): self
    {
        $stops = array_map(TriedStop::from(...), $values->objects('stops'));
        if ($stops === []) {
            throw InvalidFigure::because('stops', 'should have a stop at least');
        }
        usort($stops, static fn (TriedStop $a, TriedStop $b): int => $a->aperture <=> $b->aperture);

        return new self(
            magnification: $values->float('magnification'),
            pitchMm: $values->float('pitchMm'),
            stops: $stops,
            reversed: $values->boolOr('reversed', false),
            wavelengthNm: $values->floatOr('wavelengthNm', 550.0),
            zoomMm: $values->floatOrNull('zoomMm'),
            at: $values->stringOrNull('at'),
            note: $values->stringOrNull('note'),
        );
    }

    /** Marked number of the stop at which most contrast was left. */
    public function sharpest(): float
    {
        return self::most($this->stops)->aperture;
    }

    /** @return list<float> marked numbers of all stops within 5 % of the sharpest, the widest first */
    public function asSharp(): array
    {
        $least = self::AS_SHARP * self::most($this->stops)->mtf50;

        return array_values(array_map(static fn (TriedStop $stop): float => $stop->aperture, array_filter($this->stops, static fn (TriedStop $stop): bool => $stop->mtf50 >= $least)));
    }

    /**
     * What the lens itself blurs at one of the stops: standard deviation at the sensor, mm, 0 where diffraction and pixels alone are as much as
     * was seen.
     */
    public function blurMm(TriedStop $stop): float
    {
        $seen = self::GAUSS / $stop->mtf50 * $this->pitchMm;
        $spot = self::SPOT * $this->wavelengthNm * 1e-6 * $stop->effectiveAperture;
        $pixel = self::PIXEL * $this->pitchMm;

        return sqrt(max(0.0, $seen * $seen - $spot * $spot - $pixel * $pixel));
    }

    /** What diffraction and pixels alone would have left at one of the stops: cycles a pixel at which half of the contrast is left. */
    public function allowedMtf50(TriedStop $stop): float
    {
        return self::GAUSS * $this->pitchMm / hypot(self::SPOT * $this->wavelengthNm * 1e-6 * $stop->effectiveAperture, self::PIXEL * $this->pitchMm);
    }

    /**
     * The same at any marked number: between two stops by the logarithm of the number, beyond the ends as at the end.
     */
    public function blurAtMm(float $aperture): float
    {
        $before = null;
        foreach ($this->stops as $stop) {
            if ($stop->aperture >= $aperture) {
                if ($before === null || $stop->aperture - $before->aperture < 1e-9) {
                    return $this->blurMm($stop);
                }
                $share = log($aperture / $before->aperture) / log($stop->aperture / $before->aperture);

                return $this->blurMm($before) + $share * ($this->blurMm($stop) - $this->blurMm($before));
            }
            $before = $stop;
        }

        return $before === null ? 0.0 : $this->blurMm($before);
    }

    /** @param  list<TriedStop>  $stops  one at least */
    private static function most(array $stops): TriedStop
    {
        $most = $stops[0] ?? throw new \LogicException('A trial has a stop at least.');
        foreach ($stops as $stop) {
            $most = $stop->mtf50 > $most->mtf50 ? $stop : $most;
        }

        return $most;
    }
}
