<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A photographic lens, prime or zoom, either way round. */
final readonly class Lens extends Part
{
    /**
     * @param  list<LensFigures>  $stations  a zoom's rows of figures, shortest focal length first; empty for a prime
     * @param  list<FocusMark>  $marks
     * @param  array<string, float>  $measured  half-widths of the fields that were measured
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
        public array $measured,
    ) {
        parent::__construct(Kind::Lens, $identity, $document);
    }

    /** @throws InvalidFigure names the field */
    public static function from(Values $values): self
    {
        $stations = [];
        foreach ($values->objects('stations') as $station) {
            $stations[] = LensFigures::from($values->overlaid($station));
        }
        usort($stations, static fn (LensFigures $a, LensFigures $b): int => $a->focalLengthMm <=> $b->focalLengthMm);

        $marks = [];
        foreach ($values->objects('marks') as $mark) {
            $marks[] = new FocusMark($mark->float('focus'), $mark->floatOrNull('distanceMm'), $mark->floatOrNull('magnification'));
        }
        $measured = [];
        foreach ($values->object('measured')->fields as $field => $halfWidth) {
            $measured[$field] = is_int($halfWidth) || is_float($halfWidth) ? abs((float) $halfWidth) : 0.0;
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
            measured: $measured,
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
        if ($this->stations === []) {
            return $this->figures;
        }
        $zoomMm ??= $this->figures->focalLengthMm;
        $below = $this->stations[0];
        foreach ($this->stations as $station) {
            if ($station->focalLengthMm > $zoomMm) {
                $span = $station->focalLengthMm - $below->focalLengthMm;

                return $span <= 0.0 ? $station : $below->between($station, ($zoomMm - $below->focalLengthMm) / $span);
            }
            $below = $station;
        }

        return $below;
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
