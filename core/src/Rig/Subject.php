<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Values;

/** What is photographed. */
final readonly class Subject
{
    /** @param  list<string>  $traits `flees`, `stings`, `wet`, `hot`, `protected`, `melts` */
    public function __construct(
        public ?string $name,
        public ?float $widthMm,
        public ?float $depthMm,
        /** Radius of a curved one, mm. */
        public ?float $radiusMm,
        public ?bool $flat,
        /** Speed across the frame, mm/s. */
        public ?float $acrossMmS,
        /** Speed along the axis, mm/s. */
        public ?float $toAndFroMmS,
        public array $traits,
        public Values $document,
    ) {
    }

    /** What the checked fields say; null where a measure is absent. */
    public static function from(Values $values): self
    {
        return new self(
            name: $values->stringOrNull('name'),
            widthMm: $values->floatOrNull('widthMm'),
            depthMm: $values->floatOrNull('depthMm'),
            radiusMm: $values->floatOrNull('radiusMm'),
            flat: $values->boolOrNull('flat'),
            acrossMmS: $values->floatOrNull('acrossMmS'),
            toAndFroMmS: $values->floatOrNull('toAndFroMmS'),
            traits: $values->strings('traits'),
            document: $values,
        );
    }

    /** Whether it has that trait. */
    public function has(string $trait): bool
    {
        return in_array($trait, $this->traits, true);
    }

    /**
     * Depth to be covered, mm: the subject's own, plus the sag of a curved one over the field (OPTICS.md, "Depth").
     *
     * Null when nothing of it is known.
     */
    public function depthOver(?float $fieldMm): ?float
    {
        $sag = $this->sagOver($fieldMm);

        return $this->depthMm === null && $sag === null ? null : ($this->depthMm ?? 0.0) + ($sag ?? 0.0);
    }

    /** `q - sqrt(q^2 - (field/2)^2)`; over a field wider than the ball, the whole radius. */
    public function sagOver(?float $fieldMm): ?float
    {
        if ($this->radiusMm === null || $fieldMm === null) {
            return null;
        }
        $half = min($fieldMm / 2.0, $this->radiusMm);

        return $this->radiusMm - sqrt($this->radiusMm * $this->radiusMm - $half * $half);
    }
}
