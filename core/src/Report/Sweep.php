<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Drawing\MovingPlaces;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\RuleContext;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Reading\UncertaintyTable;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/**
 * Every reading, half-width, finding and drawing position at every place where one control can rest (OPTICS.md,
 * "Sweep"): a person drags the part, the screen looks up, nothing is interpolated.
 */
final readonly class Sweep
{
    /**
     * @param  list<float>  $positions
     * @param  array<string, array<int, ?float>>  $halfWidths
     * @param  list<Span>  $spans
     */
    private function __construct(
        public Travel $travel,
        public array $positions,
        public ReadingTable $columns,
        public array $halfWidths,
        public array $spans,
        public MovingPlaces $drawing,
        /** Extension that is missing wherever everything is set; null = it is sharp somewhere. */
        public ?float $neverMm,
    ) {
    }

    /** Every reading, half-width, finding and drawing position at every place where that control can rest. */
    public static function of(Rig $rig, Travel $travel): self
    {
        $positions = Travels::positions($rig, $travel);
        if ($travel->kind === TravelKind::Zoom) {
            return self::ofZoom($rig, $travel, $positions);
        }
        $split = SweepColumns::split($rig, $travel, $positions);
        [$columns, $drawing] = SweepColumns::read($rig, $travel, $positions, $split);
        $range = Range::of($rig);
        $sure = UncertaintyTable::along($rig, $travel, $positions, $split, $columns->image);
        $infinity = Infinity::of($rig, $range);
        $facts = new RuleContext($rig, $range, $infinity, $columns, $travel, $positions);

        return new self($travel, $positions, $columns, $sure->columns, Findings::told(Findings::spans($facts)), $drawing, $infinity->neverMm);
    }

    /**
     * A zoom is another lens at every place: what it reaches, and how surely, is asked anew at each.
     *
     * @param  list<float>  $positions
     */
    private static function ofZoom(Rig $rig, Travel $travel, array $positions): self
    {
        [$columns, $drawing] = SweepColumns::read($rig, $travel, $positions, null);
        $halfWidths = [];
        $findings = [];
        $never = null;
        foreach ($positions as $position) {
            $answer = RigReport::of($rig->with($travel->kind, $travel->part, $position));
            $never = $answer->infinity->neverMm;
            foreach (Uncertainty::READINGS as $name) {
                $halfWidths[$name][] = $answer->halfWidths[$name] ?? null;
            }
            $findings[] = $answer->findings;
        }

        return new self($travel, $positions, $columns, $halfWidths, Span::joined($findings), $drawing, $never);
    }

    /**
     * Every reading by its name, row by row.
     *
     * @return array<string, array<int, ?float>>
     */
    public function readings(Rig $rig): array
    {
        $columns = $this->columns;
        $width = [];
        $height = [];
        foreach ($columns->magnification as $m) {
            $width[] = $m === null || $m <= 0.0 ? null : $rig->frame->widthMm / $m;
            $height[] = $m === null || $m <= 0.0 ? null : $rig->frame->heightMm / $m;
        }

        return [
            'magnification' => $columns->magnification,
            'fullFrameMagnification' => array_map(static fn (?float $m): ?float => Beside::onFullFrame($m, $rig->frame), $columns->magnification),
            'fieldWidthMm' => $width,
            'fieldHeightMm' => $height,
            'workingDistanceMm' => $columns->workingDistanceMm,
            'subjectDistanceMm' => $columns->subjectDistanceMm,
            'effectiveAperture' => $columns->effectiveAperture,
            'stopsLost' => $columns->stopsLost,
            'depthOfFieldMm' => $columns->depthOfFieldMm,
            'nearMm' => $columns->nearMm,
            'farMm' => $columns->farMm,
            'waveDepthMm' => $columns->waveDepthMm,
            'airyDiameterMm' => $columns->airyDiameterMm,
            'detailMm' => $columns->detailMm,
            'entrancePupilMm' => $columns->entrancePupilMm,
            'lightGapDeg' => $columns->lightGapDeg,
            'cornerBrightness' => $columns->cornerBrightness,
            'momentAtMountNm' => $columns->momentAtMountNm,
        ] + Beside::along($rig, $this->travel, $this->positions);
    }

    /**
     * What this control doesn't move of what stands beside the strips: the rig's own readings tell it, and nothing is sent of it.
     *
     * @param  array<string, array<int, ?float>>  $columns
     * @return list<string>
     */
    public static function still(array $columns): array
    {
        return array_values(array_filter(Beside::READINGS, static function (string $name) use ($columns): bool {
            $column = $columns[$name];

            return $column[0] === $column[count($column) - 1] && count(array_keys($column, $column[0], true)) === count($column);
        }));
    }

    /**
     * Where it is sharp, as stretches of rows (FocusState).
     *
     * @return list<array{from: int, to: int, state: FocusState}>
     */
    public function focus(Rig $rig): array
    {
        $stretches = [];
        $isBare = FocusState::lacksTubeLens($rig);
        foreach ($this->columns->image as $row => $image) {
            $room = $this->columns->workingDistanceMm[$row];
            $state = match (true) {
                $isBare, $image === Image::None => FocusState::Never,
                $image === Image::Real => $room !== null && $room < 0.0 ? FocusState::Inside : FocusState::Sharp,
                default => $this->beyond($rig->with($this->travel->kind, $this->travel->part, $this->positions[$row])),
            };
            $last = count($stretches) - 1;
            if ($last >= 0 && $stretches[$last]['state'] === $state) {
                $stretches[$last]['to'] = $row;
            } else {
                $stretches[] = ['from' => $row, 'to' => $row, 'state' => $state];
            }
        }

        return $stretches;
    }

    private function beyond(Rig $rig): FocusState
    {
        return $this->neverMm !== null && $this->travel->kind !== TravelKind::Zoom ? FocusState::Never : FocusState::of($rig, Axis::of($rig), null, $this->travel->kind === TravelKind::Zoom ? Infinity::of($rig, Range::of($rig, rough: true)) : null);
    }

    /**
     * Which part darkens the corner, as stretches of rows.
     *
     * @return list<array{from: int, to: int, part: string}>
     */
    public function cornerParts(Rig $rig): array
    {
        $stretches = [];
        foreach ($this->columns->cornerPart as $row => $part) {
            $last = count($stretches) - 1;
            if ($part === null) {
                continue;
            }
            $name = $part < 0 ? 'camera' : $rig->chain[$part]->label();
            if ($last >= 0 && $stretches[$last]['to'] === $row - 1 && $stretches[$last]['part'] === $name) {
                $stretches[$last]['to'] = $row;
            } else {
                $stretches[] = ['from' => $row, 'to' => $row, 'part' => $name];
            }
        }

        return $stretches;
    }

    /** What is made of a sweep as JSON; a figure that stands by itself has the digits of a column's. */
    public static function json(mixed $made): string
    {
        $before = ini_set('serialize_precision', (string) PackedColumn::DIGITS);
        try {
            return json_encode($made, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        } finally {
            ini_set('serialize_precision', (string) $before);
        }
    }
}
