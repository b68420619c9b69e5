<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Reading\StopNumbers;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Rig\TravelKind;

/** What rigs are brought to before they are compared: the same picture, and the same light or each its best. */
final readonly class Bringing
{
    /** As near as this share of a magnification or a distance is as good as there. */
    private const NEAR = 1e-6;

    /** Effective apertures within a sixth of a stop are the same: rings click in thirds. */
    private const SAME_STOP = 1.0594630943592953;

    /**
     * @param  ?SolveTarget  $target  null = as each is set, or at its closest
     * @param  float  $value  of the target, × or mm
     * @param  ?float  $effective  the effective aperture that all are brought to, above 0; null = they aren't
     * @param  ?float  $depthMm  of the target, 0 or more; null = the subject's own
     * @param  ?Subject  $subject  that all of them have before them; null = each its own
     */
    private function __construct(
        public ?SolveTarget $target,
        public float $value,
        public bool $closest,
        public ?float $effective,
        public bool $sharpest,
        public ?float $depthMm,
        private ?Subject $subject = null,
    ) {
    }

    /** As each of them is set. */
    public static function asSet(?float $depthMm = null): self
    {
        return new self(null, 0.0, false, null, false, $depthMm);
    }

    /** To the same width, magnification or place. */
    public function to(SolveTarget $target, float $value): self
    {
        return new self($target, $value, false, $this->effective, $this->sharpest, $this->depthMm, $this->subject);
    }

    /** Each to where it magnifies most. */
    public function toClosest(): self
    {
        return new self(null, 0.0, true, $this->effective, $this->sharpest, $this->depthMm, $this->subject);
    }

    /** All at the same effective aperture, as near as their rings come. */
    public function atEffective(float $number): self
    {
        return new self($this->target, $this->value, $this->closest, $number, false, $this->depthMm, $this->subject);
    }

    /** Each at the stop that shows most of the target's depth; of a flat one at the stop its lens is sharpest at. */
    public function atSharpest(): self
    {
        return new self($this->target, $this->value, $this->closest, null, true, $this->depthMm, $this->subject);
    }

    /** All before the same subject, as it is described. */
    public function before(?Subject $subject): self
    {
        return new self($this->target, $this->value, $this->closest, $this->effective, $this->sharpest, $this->depthMm, $subject);
    }

    /**
     * A rig brought there, or as near as it gets.
     *
     * @return array{rig: Rig, met: bool}
     */
    public function bring(Rig $rig): array
    {
        ['rig' => $set, 'met' => $placed] = $this->place($this->aimed($rig));
        ['rig' => $set, 'met' => $lit] = $this->light($set);

        return ['rig' => $set, 'met' => $placed && $lit];
    }

    /** Depth of the target in a rig's picture, mm; null = flat, or not known. */
    public function depthIn(Rig $rig, Reading $reading): ?float
    {
        $depth = $this->depthMm ?? $rig->subject?->depthOver($reading->fieldWidthMm);

        return $depth === null || $depth <= 0.0 ? null : $depth;
    }

    /** Whether a rig that somebody set by hand does what all were to be brought to. */
    public function isMetBy(Rig $rig): bool
    {
        $reading = Reading::of($rig);

        return ($this->target === null || self::isThere($reading, $this->target, $this->value))
            && ($this->effective === null || ($reading->effectiveAperture !== null && abs(log($reading->effectiveAperture / $this->effective)) <= log(self::SAME_STOP)));
    }

    /** A rig that has the target before it: what is found of it is found for that, not for its own subject. */
    private function aimed(Rig $rig): Rig
    {
        $subject = $this->subject ?? $rig->subject;
        if ($this->depthMm === null) {
            return $rig->withSubject($subject);
        }
        $fields = $subject->document->fields ?? [];
        unset($fields['radiusMm'], $fields['depthMm']);

        return $rig->withSubject(Subject::from(new Values(($this->depthMm > 0.0 ? ['depthMm' => $this->depthMm] : []) + $fields)));
    }

    /** @return array{rig: Rig, met: bool} */
    private function place(Rig $rig): array
    {
        if ($this->closest) {
            $most = Range::of($rig)->magnification[1];
            $solution = $most === null ? null : Solver::anywhere($rig, SolveTarget::Magnification, $most);

            return ['rig' => $solution->rig ?? $rig, 'met' => true];
        }
        if ($this->target === null) {
            return ['rig' => $rig, 'met' => true];
        }
        $solution = Solver::anywhere($rig, $this->target, $this->value);
        if ($solution !== null) {
            return ['rig' => $solution->rig, 'met' => $solution->exact];
        }

        // Nothing on it moves: it is there, or it isn't.
        return ['rig' => $rig, 'met' => self::isThere(Reading::of($rig), $this->target, $this->value)];
    }

    private static function isThere(Reading $reading, SolveTarget $target, float $value): bool
    {
        $stands = match ($target) {
            SolveTarget::Magnification => $reading->magnification,
            SolveTarget::FieldWidth => $reading->fieldWidthMm,
            SolveTarget::WorkingDistance => $reading->workingDistanceMm,
            SolveTarget::SubjectDistance => $reading->subjectDistanceMm,
        };

        return $stands !== null && abs($stands - $value) <= self::NEAR * abs($value);
    }

    /** @return array{rig: Rig, met: bool} */
    private function light(Rig $rig): array
    {
        $at = $rig->workingLens();
        $stops = $at === null ? [] : $rig->stopsAt($at);
        if ($this->effective === null && ! $this->sharpest) {
            return ['rig' => $rig, 'met' => true];
        }
        if ($this->sharpest) {
            $depth = $this->depthIn($rig, Reading::of($rig));
            // Of a flat thing the depth is next to nothing, and only how sharp the lens is counts.
            $best = $at === null || count($stops) < 2 ? null : BestAperture::of($rig, $depth ?? 1e-9);
            $stop = $depth === null ? $best?->stacking : $best?->single;

            return ['rig' => $at === null || $stop === null ? $rig : $rig->with(TravelKind::Aperture, $at, $stop), 'met' => true];
        }
        $numbers = $at === null || $stops === [] ? null : StopNumbers::of($rig, $at, $stops);
        if ($at === null || $numbers === null) {
            return ['rig' => $rig, 'met' => false];
        }
        $nearest = 0;
        $wanted = (float) $this->effective;
        $off = static fn (int $n): float => abs(log($numbers->effective[$n] / $wanted));
        foreach (array_keys($stops) as $n) {
            $nearest = $off($n) < $off($nearest) ? $n : $nearest;
        }

        return ['rig' => $rig->with(TravelKind::Aperture, $at, $stops[$nearest]), 'met' => $off($nearest) <= log(self::SAME_STOP)];
    }
}
