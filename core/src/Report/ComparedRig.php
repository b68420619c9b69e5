<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Picture\Layer;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Picture\Shape;
use ZincThimble\Core\Picture\Target;
use ZincThimble\Core\Plan\AsEngraved;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Detail;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\Travels;

/** One rig of a comparison as it was brought there. */
final readonly class ComparedRig
{
    /** @param  array<string, float>  $byHand */
    private function __construct(
        public string $letter,
        public Rig $rig,
        public RigReport $report,
        /** Whether it does what all were to be brought to. */
        public bool $met,
        /** Period of the finest lines in the plane of focus, mm; null = nothing is imaged. */
        public ?float $resolvedDetailMm,
        /** Width that its picture is cropped to, mm; null = none is cut off. */
        public ?float $cropToMm,
        /** Columns left after that; null = the sensor's pixels aren't known. */
        public ?int $pixelsLeft,
        /** Blur at the edge of the target's depth, mm at the sensor; null = it has none. */
        public ?float $blurAtEdgeMm,
        /** Depth of the target in its picture, mm; null = it has none. */
        public ?float $depthMm,
        public ?RigPicture $picture,
        /** Controls that somebody set by hand afterwards, by name. */
        public array $byHand,
    ) {
    }

    /**
     * A rig brought where a comparison wants it, and what somebody set by hand afterwards.
     *
     * @param  array<string, float>  $byHand  controls by their name, in their own unit: held within their ends
     *
     * @throws InvalidFigure names the control that the rig doesn't have
     */
    public static function of(string $letter, Rig $rig, Bringing $bringing, array $byHand = []): self
    {
        ['rig' => $set, 'met' => $met] = $bringing->bring($rig);
        foreach ($byHand as $name => $value) {
            $travel = Travels::named($set, $name) ?? throw InvalidFigure::because('set', 'this rig has no control '.$name);
            $set = $set->with($travel->kind, $travel->part, $travel->clamp($value));
        }
        $met = $byHand === [] ? $met : $bringing->isMetBy($set);
        $report = RigReport::of($set);
        $reading = $report->reading;
        $field = $reading->fieldWidthMm;
        $wanted = match ($bringing->target) {
            SolveTarget::FieldWidth => $bringing->value,
            SolveTarget::Magnification => $bringing->value > 0.0 ? $set->frame->widthMm / $bringing->value : null,
            default => null,
        };
        $crop = ! $met && $wanted !== null && $field !== null && $field > $wanted ? $wanted : null;
        $depth = $bringing->depthIn($set, $reading);
        $columns = $set->frame->columns;
        $picture = RigPicture::of($set);

        return new self(
            letter: $letter,
            rig: $set,
            report: $report,
            met: $met,
            resolvedDetailMm: $picture?->resolvedDetailMm(),
            cropToMm: $crop,
            pixelsLeft: $columns <= 0 ? null : ($crop === null ? $columns : Detail::columnsLeft($columns, $crop, $field)),
            blurAtEdgeMm: $depth === null ? null : BestAperture::edgeBlurOf($set, $reading, $depth),
            depthMm: $depth,
            picture: $picture,
            byHand: $byHand,
        );
    }

    /** The rig as it was brought, with the subject that is its own. */
    public function before(?Subject $subject): Rig
    {
        return $this->rig->withSubject($subject);
    }

    /**
     * How bright its picture is from the middle to the corner, at so many places of equal distance, 0 to 1.
     *
     * @return list<float>
     */
    public function brightness(int $places): array
    {
        return Vignetting::across($this->rig, Axis::of($this->rig), $places);
    }

    /**
     * A target as it is imaged, layer by layer, the middle of its depth in the plane of focus, the furthest first. Of a step there is
     * nothing between its ground and its face.
     *
     * @return list<Layer> none where nothing is imaged
     */
    public function layers(Target $target): array
    {
        $half = $target->depthMm / 2.0;
        $layers = match (true) {
            $this->picture === null => [],
            $target->shape === Shape::Step && $half > 0.0 => [$this->picture->at($half), $this->picture->at(-$half)],
            default => $this->picture->through(-$half, $half),
        };

        return array_values(array_filter($layers, static fn (Layer $layer): bool => is_finite($layer->discMm)));
    }

    /** What it has of something people decide by; null = not known, or without bound. */
    public function value(Criterion $criterion): ?float
    {
        return match ($criterion) {
            Criterion::Room => $this->report->reading->workingDistanceMm,
            Criterion::Light => $this->report->reading->effectiveAperture,
            Criterion::Detail => $this->resolvedDetailMm,
            Criterion::Slice => $this->report->reading->depthOfFieldMm,
            Criterion::Mass => $this->rig->totals->massG,
            Criterion::Price => $this->rig->totals->price,
            Criterion::Joints => (float) $this->rig->totals->joints,
            Criterion::Coupled => $this->rig->totals->coupling->isAutomatic() ? 1.0 : 0.0,
        };
    }

    /** How far that may be off. */
    public function halfWidth(Criterion $criterion): float
    {
        return match ($criterion) {
            Criterion::Detail => $this->report->halfWidths['detailMm'] ?? 0.0,
            Criterion::Room, Criterion::Light, Criterion::Slice => $this->report->halfWidths[$criterion->value] ?? 0.0,
            default => 0.0,
        };
    }

    /** @return array<string, string> how its parts are set, as they are engraved */
    public function settings(): array
    {
        $settings = [];
        foreach ($this->rig->chain as $i => $part) {
            $said = AsEngraved::of($this->rig, $i);
            if ($said !== '') {
                $settings[isset($settings[$part->label()]) ? $part->label().' ('.$i.')' : $part->label()] = $said;
            }
        }

        return $settings;
    }
}
