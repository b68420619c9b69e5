<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** A part of fixed length with nothing but air in it: tube, adapter, ring, filter, hood. */
final readonly class Spacer extends Part
{
    /**
     * @param  float  $lengthMm  0 to 3,000
     * @param  ?float  $clearMm  narrowest inner diameter
     * @param  ?bool  $shoulder  whether it has a stop to screw against; null = not known
     */
    public function __construct(
        Kind $kind,
        PartIdentity $identity,
        Values $document,
        public float $lengthMm,
        public ?float $clearMm,
        public ?bool $shoulder,
        /** Whether a lever or cable on it works, by hand, the lens whose mount it sits on. */
        public bool $latch = false,
        /** Whether it is put in the other way round. */
        public bool $reversed = false,
    ) {
        parent::__construct($kind, $identity, $document);
    }

    /** A ring, tube, filter or hood of a fixed length, mm, 0 to 3,000. */
    public static function from(Kind $kind, Values $values): self
    {
        $reversed = $values->boolOr('reversed', false);
        $lengthMm = $values->floatOr('lengthMm', 0.0);
        $identity = PartIdentity::from($kind, $values);

        return new self(
            $kind,
            $reversed ? $identity->turned($lengthMm) : $identity,
            $values,
            $lengthMm,
            $values->floatOrNull('clearMm'),
            $values->boolOrNull('shoulder'),
            $values->boolOr('latch', false),
            $reversed,
        );
    }

    /** Whether it can be put in the other way round: a ring of two threads. */
    public function turns(): bool
    {
        return $this->identity->rear->main()?->isThread() === true && $this->identity->front->main()?->isThread() === true && $this->kind !== Kind::Tube;
    }

    /** The same ring the other way round. */
    public function turned(): self
    {
        return self::from($this->kind, new Values(['reversed' => ! $this->reversed] + $this->document->fields));
    }

    /** Its length, mm. */
    public function shortestMm(): float
    {
        return $this->lengthMm;
    }
}
