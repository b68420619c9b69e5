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
    ) {
    }

    /**
     * One of ours.
     *
     * @param  ?float  $depthMm  0 or more; null = its own
     *
     * @throws InvalidFigure for the subject, which is not ours, and a depth below 0
     */
    public static function own(TargetKind $kind, ?float $depthMm = null): self
    {
        if ($kind === TargetKind::Subject || ($depthMm !== null && $depthMm < 0.0)) {
            throw InvalidFigure::because('depthMm', 'should be 0 or more, of a target of ours');
        }
        [$shape, $width, $height, $depth] = self::OWN[$kind->value];

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

    /** As a rig has it before it. */
    public function subject(): Subject
    {
        return Subject::from(new Values(['widthMm' => $this->widthMm] + ($this->depthMm > 0.0 ? ['depthMm' => $this->depthMm] : ['flat' => true])));
    }
}
