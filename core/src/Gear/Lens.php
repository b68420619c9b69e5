<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A photographic lens, prime or zoom, either way round. */
final readonly class Lens extends Part
{
    /**
     * @param  list<LensFigures>  $stations  a zoom's rows of figures, shortest focal length first; empty for a prime
     * @param  list<FocusMark>  $marks
     * @param  list<LensTrial>  $trials  how sharp it was at several stops
     */
    public function __construct(
        PartIdentity $identity,
        Values $document,
        public LensFigures $figures,
        public array $stations,
        public Design $design,
        public Focusing $focusing,
        public Aperture $aperture,
        public bool $reversed,
        public array $marks,
        public ?bool $flatField,
        /** Whether it is held by a thread at its own mount: a register is less sure there. */
        public bool $threaded,
        public array $trials = [],
    ) {
        parent::__construct(Kind::Lens, $identity, $document);
    }

    /** @throws InvalidFigure names the field */
    public static function from(Values $values): self
    {
        $stations = [];
        foreach ($values->objects('stations') as $station) {
            // A shot was taken at one focal length: the lens's own are no other station's.
            $stations[] = LensFigures::from(new Values(['shots' => $station->fields['shots'] ?? []] + $values->overlaid($station)->fields));
        }
        usort($stations, static fn (LensFigures $a, LensFigures $b): int => $a->focalLengthMm <=> $b->focalLengthMm);

        $marks = [];
        foreach ($values->objects('marks') as $mark) {
            $marks[] = new FocusMark($mark->float('focus'), $mark->floatOrNull('distanceMm'), $mark->floatOrNull('magnification'));
        }
        $identity = PartIdentity::from(Kind::Lens, $values);
        $reversed = $values->boolOr('reversed', false);
        $figures = LensFigures::from($values);

        return new self(
            // Mount and front change places: a reversed lens shows its front thread to the camera.
            identity: $reversed ? $identity->turned($figures->frontRimMm) : $identity,
            document: $values,
            figures: $figures,
            stations: $stations,
            design: Design::from($values->stringOr('design', 'unknown')),
            focusing: Focusing::from($values->stringOr('focusing', 'unknown')),
            aperture: Aperture::from($values->object('aperture')),
            reversed: $reversed,
            marks: $marks,
            flatField: $values->boolOrNull('flatField'),
            threaded: $identity->rear->main()?->isThread() === true,
            trials: array_map(LensTrial::from(...), $values->objects('trials')),
        );
    }

    /** Whether it has stations: figures of its own at several focal lengths. */
    public function isZoom(): bool
    {
        return $this->stations !== [];
    }

    /** Figures at a zoom setting, mm of focal length; outside the stations they clamp. */
    public function figuresAt(?float $zoomMm): LensFigures
    {
        [$below, $above, $share] = $this->stationsAbout($zoomMm);

        return $below->between($above, $share);
    }

    /**
     * The stations on either side of a zoom setting and how far from the first to the second it lies, 0 to 1; of a prime, its figures
     * and 0.
     *
     * @return array{LensFigures, LensFigures, float}
     */
    public function stationsAbout(?float $zoomMm): array
    {
        if ($this->stations === []) {
            return [$this->figures, $this->figures, 0.0];
        }
        $zoomMm ??= $this->figures->focalLengthMm;
        $below = $this->stations[0];
        foreach ($this->stations as $station) {
            if ($station->focalLengthMm > $zoomMm) {
                $span = $station->focalLengthMm - $below->focalLengthMm;

                return $span <= 0.0 ? [$station, $station, 0.0] : [$below, $station, ($zoomMm - $below->focalLengthMm) / $span];
            }
            $below = $station;
        }

        return [$below, $below, 0.0];
    }

    /** The same lens the other way round. */
    public function turned(): self
    {
        return self::from(new Values(['reversed' => ! $this->reversed] + $this->document->fields));
    }

    /** Flange to front rim at infinity, mm; reversed, with its rear protrusion. */
    public function shortestMm(): float
    {
        return $this->figures->frontRimMm + ($this->reversed ? $this->figures->rearProtrusionMm : 0.0);
    }
}
