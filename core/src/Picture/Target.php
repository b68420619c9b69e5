<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Subject;

/** The one thing that every rig of a comparison photographs (OPTICS.md, "What a picture looks like"). */
final readonly class Target
{
    /** A subject of which no width is known is drawn as wide as this share of the widest field. */
    private const SHARE = 0.7;

    /** And every subject that high, as a share of its width. */
    private const HIGH = 0.75;

    /** What is measured reaches beyond the field, as a share of it. */
    private const BEYOND = 1.3;

    /** Lines across the field, at least; of a leaning rule at most. Pixels from line to line, at least. */
    private const LINES = 40.0;

    private const MOST_LINES = 200.0;

    private const LEAST_PX = 14.0;

    /** Lines of it within a slice, if there is room. */
    private const IN_THE_SLICE = 5.0;

    /** How far a rule leans out of the plane of focus. */
    public const LEAN_DEG = 45.0;

    /** Shape, width, height and depth, mm. */
    private const OWN = [
        'seed' => [Shape::Dome, 3.2, 2.3, 1.2],
        'capsule' => [Shape::Cylinder, 1.6, 2.6, 0.8],
        'tooth' => [Shape::Step, 12.0, 9.0, 3.0],
        'dots' => [Shape::Sheet, 24.0, 16.0, 0.0],
        'grid' => [Shape::Sheet, 100.0, 70.0, 0.0],
        'print' => [Shape::Sheet, 45.0, 30.0, 0.0],
        'label' => [Shape::Cylinder, 36.0, 28.0, 10.0],
    ];

    private function __construct(
        public TargetKind $kind,
        public Shape $shape,
        public float $widthMm,
        public float $heightMm,
        /** 0 = flat. */
        public float $depthMm,
        /** Of a ruler and of a leaning rule, along it, mm; 0 = it has none. */
        public float $divisionMm = 0.0,
    ) {
    }

    /**
     * One of ours.
     *
     * @param  ?float  $depthMm  0 or more; null = its own
     *
     * @throws InvalidFigure for the subject and for what is measured, which are as large as the field, and a depth below 0
     */
    public static function own(TargetKind $kind, ?float $depthMm = null): self
    {
        if ($kind === TargetKind::Subject || $kind->isMeasured() || ($depthMm !== null && $depthMm < 0.0)) {
            throw InvalidFigure::because('depthMm', 'should be 0 or more, of a target of ours');
        }
        [$shape, $width, $height, $depth] = self::OWN[$kind->value] ?? throw new \LogicException($kind->value.' has no size of its own');

        return new self($kind, $shape, $width, $height, $depthMm ?? $depth);
    }

    /**
     * A subject as it is described: a sheet where it is flat, else a dome.
     *
     * @param  ?float  $fieldMm  the widest that a rig covers; null = none is known
     * @param  ?float  $depthMm  0 or more; null = the subject's own
     */
    public static function ofSubject(?Subject $subject, ?float $fieldMm, ?float $depthMm = null): self
    {
        $width = $subject->widthMm ?? self::SHARE * ($fieldMm ?? 30.0);
        $depth = $depthMm ?? $subject?->depthOver($width) ?? 0.0;

        return new self(TargetKind::Subject, $subject?->flat === true || $depth <= 0.0 ? Shape::Sheet : Shape::Dome, $width, self::HIGH * $width, $depth);
    }

    /**
     * One that is there to be measured: as large as the field asks for, its divisions as many as there is room for.
     *
     * @param  float  $fieldMm  width that is covered, above 0
     * @param  ?float  $sliceMm  of a leaning rule: the depth that is sharp; null = not known
     * @param  ?float  $pixelMm  in the subject; null = not known
     */
    public static function measured(TargetKind $kind, float $fieldMm, ?float $sliceMm = null, ?float $pixelMm = null): self
    {
        $width = self::BEYOND * $fieldMm;

        return match ($kind) {
            TargetKind::Ruler => new self($kind, Shape::Sheet, $width, 0.4 * $fieldMm, 0.0, self::division($fieldMm / self::LINES)),
            // Some lines within the slice tell it well; lines closer than the pixels tell apart tell nothing.
            TargetKind::Rule => new self($kind, Shape::Sheet, $width, 0.3 * $fieldMm, $width * tan(deg2rad(self::LEAN_DEG)), self::division(max(
                $fieldMm / self::MOST_LINES, self::LEAST_PX * ($pixelMm ?? 0.0), min($fieldMm / self::LINES, ($sliceMm ?? INF) / self::IN_THE_SLICE),
            ) / cos(deg2rad(self::LEAN_DEG)), true)),
            default => new self($kind, Shape::Sheet, $width, $width, 0.0),
        };
    }

    /** One that was decided elsewhere, figure by figure, mm. */
    public static function laid(TargetKind $kind, Shape $shape, float $widthMm, float $heightMm, float $depthMm, float $divisionMm): self
    {
        return new self($kind, $shape, max(1e-6, $widthMm), max(1e-6, $heightMm), max(0.0, $depthMm), max(0.0, $divisionMm));
    }

    /** A round division, 1, 2 or 5 times a power of ten: the largest that isn't larger, or the nearest. */
    private static function division(float $mm, bool $nearest = false): float
    {
        $power = 10.0 ** floor(log10($mm) + 1e-9);
        $found = $power;
        foreach ([2.0, 5.0, 10.0] as $times) {
            $next = $times * $power;
            if ($next <= $mm * (1.0 + 1e-9) || ($nearest && $next / $mm < $mm / $found)) {
                $found = $next;
            }
        }

        return $found;
    }

    /** As a rig has it before it. */
    public function subject(): Subject
    {
        return Subject::from(new Values(['widthMm' => $this->widthMm] + ($this->depthMm > 0.0 ? ['depthMm' => $this->depthMm] : ['flat' => true])));
    }
}
