<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

/**
 * What somebody answers at the first visit: a body, a lens, what stands between or in front. Lengths in mm; null = they don't know.
 *
 * @immutable nothing but its own copies is ever written to
 */
final class FirstAnswers
{
    /** Any number of tubes or glasses that hands can hold. */
    public const MOST = 6;

    /**
     * @param  array<string, mixed>  $camera  a pattern of a body, as a part of a kit
     * @param  ?array<string, mixed>  $builtIn  the lens that doesn't come off it, likewise
     * @param  list<float>  $tubesMm
     * @param  ?int  $tube  place of the one that is in use; null = all of them
     * @param  ?array{float, float}  $bellowsMm  shortest and longest
     * @param  ?array{float, float}  $helicoidMm
     * @param  list<float>  $closeUpsD
     * @param  ?int  $closeUp  place of the one that is in use; null = all of them
     */
    public function __construct(
        public array $camera,
        public ?array $builtIn = null,
        public LensKind $kind = LensKind::Usual,
        public Mount $mount = Mount::Own,
        public ?float $focalLengthMm = null,
        /** A zoom's longer end. */
        public ?float $longestMm = null,
        public ?float $widest = null,
        /** @phpstan-allow-private-mutation */
        public ?float $closestMm = null,
        /**
         * Whether that is from the front of the lens, not from the sensor.
         *
         * @phpstan-allow-private-mutation
         */
        public bool $fromFront = false,
        public ?float $greatest = null,
        /** @phpstan-allow-private-mutation */
        public ?float $rimMm = null,
        public array $tubesMm = [],
        public ?int $tube = null,
        public ?array $bellowsMm = null,
        public ?array $helicoidMm = null,
        public bool $turned = false,
        public array $closeUpsD = [],
        public ?int $closeUp = null,
        /** Focal length of another lens, face to face with the first. */
        public ?float $otherMm = null,
    ) {
    }

    /** The same with one more figure known: as it would be guessed, but measured. */
    public function knowing(FirstQuestion $question, float $value): self
    {
        $copy = clone $this;
        match ($question) {
            FirstQuestion::Rim => $copy->rimMm = $value,
            FirstQuestion::Closest => $copy->closestMm = $value,
        };
        // What such lenses have is told from the sensor.
        $copy->fromFront = $copy->fromFront && $question !== FirstQuestion::Closest;

        return $copy;
    }

    public function registerMm(): float
    {
        $register = $this->camera['registerMm'] ?? null;

        return is_int($register) || is_float($register) ? (float) $register : 0.0;
    }
}
