<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Reading\Stack;

/**
 * A stack by moving the whole rig (OPTICS.md, "Shots"): each frame in whole steps of the rail, never a gap over the slice, and its last
 * frame at the subject's far end or behind it.
 */
final readonly class RailStack
{
    /** More frames than these nobody waits for. */
    public const MOST = 20_000;

    /** @param  non-empty-list<int>  $at  steps of the rail from the first frame, rising */
    private function __construct(
        public RailScrew $screw,
        /** Depth covered by one frame, mm. */
        public float $sliceMm,
        /** Way that was aimed at from frame to frame, mm: slice x (1 - overlap). */
        public float $stepMm,
        public array $at,
    ) {
    }

    /**
     * @param  float  $depthMm  of the subject, 0 or more
     * @param  float  $sliceMm  above 0
     * @param  float  $overlap  share of two slices that lies in both, 0 or more and below 1
     *
     * @throws InvalidFigure names what can't be: a slice thinner than the rail's step, a way that it doesn't go, more frames than anybody waits for
     */
    public static function through(float $depthMm, float $sliceMm, RailScrew $screw, float $overlap = Stack::OVERLAP): self
    {
        if (! is_finite($sliceMm) || $sliceMm <= 0.0) {
            throw InvalidFigure::because('sliceMm', 'should be above 0');
        }
        if (! is_finite($depthMm) || $depthMm < 0.0) {
            throw InvalidFigure::because('depthMm', 'should be 0 or more');
        }
        if (! ($overlap >= 0.0 && $overlap < 1.0)) {
            throw InvalidFigure::because('overlap', 'should be 0 or more and below 1');
        }
        $unit = $screw->unitMm();
        $most = floor($sliceMm / $unit * (1.0 + 1e-12));
        if ($most < 1.0) {
            throw InvalidFigure::because('steps', sprintf('one step of this rail is %.4g mm, and the slice %.4g mm', $unit, $sliceMm));
        }
        $step = $sliceMm * (1.0 - $overlap);
        if ($depthMm / $step > self::MOST || $depthMm / ($most * $unit) > self::MOST) {
            throw InvalidFigure::because('depthMm', sprintf('takes more than %d frames', self::MOST));
        }
        $at = [0];
        for ($n = 1, $now = 0; $now * $unit < $depthMm - 1e-9 * max(1.0, $depthMm); $n++) {
            $next = (int) round($n * $step / $unit);
            // Rounding never opens a gap, and never stands still.
            $now = min(max($next, $now + 1), $now + (int) $most);
            $at[] = $now;
        }
        $way = $at[count($at) - 1] * $unit;
        if ($screw->travelMm !== null && $way + $screw->backlashMm > $screw->travelMm * (1.0 + 1e-9)) {
            throw InvalidFigure::because('travelMm', sprintf('the stack takes %.4g mm, and the rail goes %.4g mm', $way + $screw->backlashMm, $screw->travelMm));
        }

        return new self($screw, $sliceMm, $step, $at);
    }

    public function frames(): int
    {
        return count($this->at);
    }

    /** @return list<float> mm from the first frame */
    public function railMm(): array
    {
        return array_map(fn (int $steps): float => $steps * $this->screw->unitMm(), $this->at);
    }

    /** Of the rail's screw from frame to frame. */
    public function turnsAFrame(): float
    {
        return $this->stepMm / $this->screw->pitchMm;
    }

    /** @return list<array{turns: int, line: int}> what the dial reads at each frame: whole turns, and lines over them */
    public function dial(): array
    {
        return array_map(fn (int $steps): array => ['turns' => intdiv($steps, $this->screw->steps), 'line' => $steps % $this->screw->steps], $this->at);
    }

    /** s: frames x (settling, exposure, what it takes until the next). */
    public function seconds(float $settleS, float $exposureS, float $recycleS): float
    {
        return $this->frames() * ($settleS + $exposureS + $recycleS);
    }

    /**
     * Share of the scale that is lost from the first frame to the last.
     *
     * @param  ?float  $pupilMm  entrance pupil to the plane of focus; null = telecentric
     */
    public function scaleChange(?float $pupilMm): ?float
    {
        return $pupilMm === null || $pupilMm === 0.0 ? null : abs($this->at[count($this->at) - 1] * $this->screw->unitMm() / $pupilMm);
    }
}
