<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Subject;

/**
 * What somebody wants of a picture: one thing that is to be met exactly, and limits that are to be kept.
 *
 * Exactly met is the field, else the magnification, else the working distance, else the subject distance: the first that
 * is said. A working distance that is said beside a field or a magnification is kept to within 5 %.
 */
final readonly class SearchCriteria
{
    /** How near an exact working distance beside a field is met, as a share of it. */
    public const EXACT = 0.05;

    /** Blanks that take a number. */
    public const NUMBERS = [
        'fieldWidthMm', 'magnification', 'workingDistanceMm', 'subjectDistanceMm', 'leastRoomMm', 'mostStopsLost', 'focusFromMm', 'focusToMm', 'mostMassG',
        'mostLengthMm', 'mostPrice', 'mostMissingPrice', 'leastCorner', 'depthMm', 'detailMm', 'subjectDepthMm',
    ];

    /**
     * @throws InvalidFigure names the field that is out of range, or `fieldWidthMm` when nothing is to be met exactly
     */
    public function __construct(
        /** Width of subject that fills the frame, mm, 0.01 to 100,000. */
        public ?float $fieldWidthMm = null,
        /** 0.0001 to 100. */
        public ?float $magnification = null,
        /** Working distance to be met, mm, 0 to 1,000,000. */
        public ?float $workingDistanceMm = null,
        /** Sensor to subject to be met, mm. */
        public ?float $subjectDistanceMm = null,
        /** Least working distance, mm. */
        public ?float $leastRoomMm = null,
        /** Most stops lost at the aperture taken. */
        public ?float $mostStopsLost = null,
        /** Whether it is to focus at infinity too, without anything being taken off. */
        public bool $infinity = false,
        /** Whether it is to focus at these distances from the sensor too, mm. */
        public ?float $focusFromMm = null,
        public ?float $focusToMm = null,
        /** Greatest mass, camera included, g. */
        public ?float $mostMassG = null,
        /** Greatest length from the sensor to the front, mm. */
        public ?float $mostLengthMm = null,
        /** Greatest price, camera included. */
        public ?float $mostPrice = null,
        /** What may be spent on parts that are not owned yet; null = only what is owned is used. */
        public ?float $mostMissingPrice = null,
        /** Whether the camera is to work the aperture; null = it doesn't matter. */
        public ?bool $automatic = null,
        /** `hand`, `braced` or `table`; null = not said. */
        public ?string $support = null,
        /** Least brightness of the corner, 0 to 1. */
        public ?float $leastCorner = null,
        /** Least depth of field, mm: the widest marked stop that gives it is taken. */
        public ?float $depthMm = null,
        /** Coarsest detail, mm in the subject. */
        public ?float $detailMm = null,
        /** Depth of the subject, mm: what a thin slice is warned by. */
        public ?float $subjectDepthMm = null,
        public Ranking $ranking = Ranking::Ease,
        /** Whether the subject is flat, and wants a lens that draws it flat. */
        public bool $flat = false,
        /** Whether it is photographed under water: only what stands behind a port counts, and what is screwed to it there. */
        public bool $underWater = false,
    ) {
        foreach ([
            'fieldWidthMm' => [$fieldWidthMm, 0.01, 1e5], 'magnification' => [$magnification, 1e-4, 100.0], 'workingDistanceMm' => [$workingDistanceMm, 0.0, 1e6],
            'subjectDistanceMm' => [$subjectDistanceMm, 1.0, 1e6], 'leastRoomMm' => [$leastRoomMm, 0.0, 1e6], 'mostStopsLost' => [$mostStopsLost, -10.0, 30.0],
            'focusFromMm' => [$focusFromMm, 1.0, 1e6], 'focusToMm' => [$focusToMm, 1.0, 1e6], 'mostMassG' => [$mostMassG, 0.0, 1e6],
            'mostLengthMm' => [$mostLengthMm, 0.0, 1e5], 'mostPrice' => [$mostPrice, 0.0, 1e9], 'mostMissingPrice' => [$mostMissingPrice, 0.0, 1e9], 'leastCorner' => [$leastCorner, 0.0, 1.0],
            'depthMm' => [$depthMm, 1e-4, 1e5], 'detailMm' => [$detailMm, 1e-5, 100.0], 'subjectDepthMm' => [$subjectDepthMm, 0.0, 1e5],
        ] as $field => [$value, $least, $most]) {
            if ($value !== null && ! ($value >= $least && $value <= $most)) {
                throw InvalidFigure::because($field, sprintf('should be between %s and %s', $least, $most));
            }
        }
        if ($support !== null && ! in_array($support, ['hand', 'braced', 'table'], true)) {
            throw InvalidFigure::because('support', 'is hand, braced or table');
        }
        if ($fieldWidthMm === null && $magnification === null && $workingDistanceMm === null && $subjectDistanceMm === null) {
            throw InvalidFigure::because('fieldWidthMm', 'a field, a magnification or a distance is needed');
        }
    }

    /**
     * What the blanks of a wish say, as files and addresses spell them. `mostStops` is `mostStopsLost`.
     *
     * @throws InvalidFigure names the blank that can't be so
     */
    public static function from(Values $wish): self
    {
        $numbers = [];
        foreach (self::NUMBERS as $name) {
            $numbers[$name] = $wish->floatOrNull($name);
        }
        $numbers['mostStopsLost'] ??= $wish->floatOrNull('mostStops');

        return new self(
            ...$numbers,
            infinity: $wish->boolOrNull('infinity') ?? false,
            flat: $wish->boolOrNull('flat') ?? false,
            underWater: $wish->boolOrNull('underWater') ?? false,
            automatic: $wish->boolOrNull('automatic'),
            support: $wish->stringOrNull('support'),
            ranking: Ranking::tryFrom($wish->stringOrNull('ranking') ?? '') ?? Ranking::Ease,
        );
    }

    /** The same wish without its limits: only what is to be met exactly. */
    public function bare(): self
    {
        return new self(
            fieldWidthMm: $this->fieldWidthMm, magnification: $this->magnification,
            workingDistanceMm: $this->fieldWidthMm === null && $this->magnification === null ? $this->workingDistanceMm : null,
            subjectDistanceMm: $this->subjectDistanceMm, support: $this->support, subjectDepthMm: $this->subjectDepthMm, ranking: $this->ranking, flat: $this->flat, underWater: $this->underWater,
        );
    }

    /** What has to be met exactly on a sensor of that width. */
    public function target(float $frameWidthMm): Target
    {
        return match (true) {
            $this->fieldWidthMm !== null => new Target(TargetKind::Magnification, $frameWidthMm / $this->fieldWidthMm),
            $this->magnification !== null => new Target(TargetKind::Magnification, $this->magnification),
            $this->workingDistanceMm !== null => new Target(TargetKind::WorkingDistance, $this->workingDistanceMm),
            default => new Target(TargetKind::SubjectDistance, (float) $this->subjectDistanceMm),
        };
    }

    /** Whether a working distance is within what is wanted beside a field or a magnification. */
    public function roomIsMet(float $workingDistanceMm): bool
    {
        if ($this->leastRoomMm !== null && $workingDistanceMm < $this->leastRoomMm * (1.0 - 1e-12)) {
            return false;
        }

        return $this->workingDistanceMm === null || ($this->fieldWidthMm === null && $this->magnification === null)
            || abs($workingDistanceMm - $this->workingDistanceMm) <= self::EXACT * $this->workingDistanceMm;
    }

    /** The conditions that rigs are read under. */
    public function conditions(Conditions $usual): Conditions
    {
        $said = ($this->support === null ? [] : ['support' => $this->support]) + ($this->underWater ? ['surroundings' => ['water']] : []);

        return $said === [] ? $usual : $usual->with($said);
    }

    /** The subject that rigs are read before; null = nothing is known of it. */
    public function subject(): ?Subject
    {
        if ($this->subjectDepthMm === null && ! $this->flat) {
            return null;
        }

        return Subject::from(new Values(array_filter(['widthMm' => $this->fieldWidthMm, 'depthMm' => $this->subjectDepthMm, 'flat' => $this->flat ?: null], static fn (float|bool|null $value): bool => $value !== null)));
    }
}
