<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Rig;

/** A rig that questions are asked about: its lens, what stands behind it, what it reads. */
final class AskedRig
{
    private ?Reading $reading = null;

    private function __construct(
        public readonly Rig $rig,
        public readonly Lens $lens,
        /** Place of the lens in the chain. */
        public readonly int $at,
        /** What stands behind it, in words. */
        public readonly string $tubes,
    ) {
    }

    /** Of its first lens; null = it has none. */
    public static function of(Rig $rig): ?self
    {
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                $names = array_map(static fn (Part $behind): string => $behind->label(), array_slice($rig->chain, 0, $i));

                return new self($rig, $part, $i, $names === [] ? 'nothing' : implode(' and ', $names));
            }
        }

        return null;
    }

    public function reading(): Reading
    {
        return $this->reading ??= Reading::of($this->rig);
    }

    /** Half-width of one of its readings by name, in its unit; 0 = it is sure. */
    public function half(string $reading): float
    {
        return Uncertainty::of($this->rig)->halfWidth($reading) ?? 0.0;
    }

    /** Length of what stands behind the lens, mm. */
    public function tubeLength(): float
    {
        $sum = 0.0;
        for ($i = 0; $i < $this->at; $i++) {
            $sum += $this->rig->lengthMm($i);
        }

        return $sum;
    }

    /** Whether nothing but tubes stands behind the lens. */
    public function isTubesAlone(): bool
    {
        return array_filter(array_slice($this->rig->chain, 0, $this->at), static fn (Part $part): bool => $part->kind !== Kind::Tube) === [];
    }

    /** How much further out the lens stands than for infinity, mm. */
    public function extension(): float
    {
        return $this->rig->camera->registerMm + $this->tubeLength() - $this->rig->lenses[$this->at]->register;
    }

    /** Focal length that its figures agree on, mm. */
    public function settledFocalMm(): float
    {
        return $this->rig->lenses[$this->at]->f0;
    }

    public function camera(): string
    {
        return $this->rig->camera->name ?? 'the camera';
    }

    public function way(): string
    {
        return $this->lens->reversed ? ' turned round' : '';
    }

    public function words(): string
    {
        return $this->lens->label().$this->way().', '.$this->tubes.' behind it';
    }

    /** Of a question: the same question about the same rig has the same name. */
    public function name(QuestionKind $kind): string
    {
        return $kind->value.' '.implode(' + ', array_map(static fn (Part $part): string => $part->label().($part instanceof Lens && $part->reversed ? ' turned' : ''), $this->rig->chain)).' @ '.($this->rig->camera->name ?? '');
    }
}
