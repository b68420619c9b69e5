<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** What every part has, whatever it does to the light: its ends, its mass and price, its outline. */
final readonly class PartIdentity
{
    public function __construct(
        public ?string $name,
        public JointEnd $rear,
        public JointEnd $front,
        /** g; null = not known. */
        public ?float $massG,
        /** In the kit's currency; null = not known. */
        public ?float $price,
        public Coupling $passes,
        /** Widest outer diameter, mm. */
        public ?float $outerMm,
        /** Outer diameter at the front end, mm. */
        public ?float $frontOuterMm,
        /** Outer diameter at the rear end, mm. */
        public ?float $rearOuterMm,
        /** Balance point from the part's rear, mm; null = the middle. */
        public ?float $balanceMm,
        /** Where the part is held, from its rear, mm; null = it has no foot. */
        public ?float $footMm,
    ) {
    }

    /**
     * What the common fields of a part say.
     *
     * @throws InvalidFigure names the end whose joint is none.
     */
    public static function from(Kind $kind, Values $values): self
    {
        [$rearSide, $frontSide] = self::usualSides($kind);

        return new self(
            name: $values->stringOrNull('name'),
            rear: self::end($values, 'rear', 'alsoRear', $rearSide),
            front: self::end($values, 'front', 'alsoFront', $frontSide),
            massG: $values->floatOrNull('massG'),
            price: $values->floatOrNull('price'),
            passes: Coupling::of($values->strings('passes')),
            outerMm: $values->floatOrNull('outerMm'),
            frontOuterMm: $values->floatOrNull('frontOuterMm'),
            rearOuterMm: $values->floatOrNull('rearOuterMm'),
            balanceMm: $values->floatOrNull('balanceMm'),
            footMm: $values->floatOrNull('footMm'),
        );
    }

    /** The same part put in the other way round: ends, outline, balance and foot are mirrored. */
    public function turned(float $lengthMm): self
    {
        return new self(
            name: $this->name,
            rear: $this->front,
            front: $this->rear,
            massG: $this->massG,
            price: $this->price,
            passes: $this->passes,
            outerMm: $this->outerMm,
            frontOuterMm: $this->rearOuterMm,
            rearOuterMm: $this->frontOuterMm,
            balanceMm: $this->balanceMm === null ? null : $lengthMm - $this->balanceMm,
            footMm: $this->footMm === null ? null : $lengthMm - $this->footMm,
        );
    }

    /**
     * A front is the female half and a rear the male one, except the rings that face a filter thread (rig file,
     * version 1).
     *
     * @return array{Side, Side} rear, front
     */
    private static function usualSides(Kind $kind): array
    {
        return match ($kind) {
            Kind::ReversingRing, Kind::CouplingRing => [Side::Male, Side::Male],
            default => [Side::Male, Side::Female],
        };
    }

    private static function end(Values $values, string $name, string $also, Side $usual): JointEnd
    {
        $joints = [];
        $main = $values->stringOrNull($name);
        if ($main !== null) {
            $joints[] = Joint::parse($main);
        }
        foreach ($values->strings($also) as $further) {
            $joints[] = Joint::parse($further);
        }
        $side = $values->stringOrNull($name.'Side');

        return new JointEnd($side === null ? $usual : Side::from($side), $joints);
    }
}
