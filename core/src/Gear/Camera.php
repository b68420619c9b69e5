<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A camera body, as it is. */
final readonly class Camera
{
    /** @param  list<Frame>  $modes crop and video modes */
    public function __construct(
        public ?string $name,
        public JointEnd $front,
        /** Mount face to sensor, mm. */
        public float $registerMm,
        public Frame $sensor,
        public array $modes,
        /** What its mount works. */
        public Coupling $passes,
        /** How far the grip stands out before the mount's face, mm. */
        public ?float $gripOverhangMm,
        public ?float $massG,
        /** Greatest moment the mount takes, Nm; null = not known. */
        public ?float $mountMomentNm,
        /** Clear width of the mount, mm. */
        public ?float $throatMm,
        public ?float $balanceMm,
        public ?float $price,
        public ?float $widthMm,
        public ?float $heightMm,
        public ?float $depthMm,
        /**
         * What it does with a lens that is not coupled: `meters`, `fires`; null = not known.
         *
         * @var list<string>|null
         */
        public ?array $uncoupled,
        public ?float $finderCoverage,
        public Values $document,
    ) {
    }

    /**
     * A camera from its checked fields; a sensor and a register are always there.
     *
     * @throws InvalidFigure names a joint that is none.
     */
    public static function from(Values $values): self
    {
        $joints = [];
        $main = $values->stringOrNull('joint');
        if ($main !== null) {
            $joints[] = Joint::parse($main);
        }
        foreach ($values->strings('alsoFront') as $further) {
            $joints[] = Joint::parse($further);
        }

        return new self(
            name: $values->stringOrNull('name'),
            front: new JointEnd(Side::Female, $joints),
            registerMm: $values->float('registerMm'),
            sensor: Frame::from($values->object('sensor')),
            modes: array_map(Frame::from(...), $values->objects('modes')),
            passes: Coupling::of($values->strings('passes')),
            gripOverhangMm: $values->floatOrNull('gripOverhangMm'),
            massG: $values->floatOrNull('massG'),
            mountMomentNm: $values->floatOrNull('mountMomentNm'),
            throatMm: $values->floatOrNull('throatMm'),
            balanceMm: $values->floatOrNull('balanceMm'),
            price: $values->floatOrNull('price'),
            widthMm: $values->floatOrNull('widthMm'),
            heightMm: $values->floatOrNull('heightMm'),
            depthMm: $values->floatOrNull('depthMm'),
            uncoupled: $values->has('coupling') ? $values->strings('coupling') : null,
            finderCoverage: $values->floatOrNull('finderCoverage'),
            document: $values,
        );
    }

    /** The whole sensor, or the mode of that name; an unknown name gives the whole sensor. */
    public function frame(?string $mode): Frame
    {
        foreach ($this->modes as $frame) {
            if ($frame->name === $mode) {
                return $frame;
            }
        }

        return $this->sensor;
    }

    /** Whether the lens of this camera does not come off. */
    public function isBuiltIn(): bool
    {
        return $this->front->main()?->type === JointType::Fixed;
    }
}
