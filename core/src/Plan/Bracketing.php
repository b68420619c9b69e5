<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;

/**
 * A stack by the camera's own focus bracketing (OPTICS.md, "Shots"): the camera turns the ring by even steps whose size no camera tells, so
 * it is measured once, as a share of the ring's travel at the camera's setting 1, and kept with the lens (`bracketStep`).
 */
final readonly class Bracketing
{
    /** Settings that cameras have: 1 to 10. */
    public const MOST_SETTING = 10;

    /** More frames than these no camera takes at once. */
    public const MOST = 999;

    /** @param  list<float>  $planesMm */
    private function __construct(
        /** The coarsest setting that keeps the overlap, or 1. */
        public int $setting,
        public int $frames,
        /** The widest step between two planes, mm in the subject. */
        public float $widestMm,
        /** Whether somewhere two planes lie further apart than a slice. */
        public bool $leavesGap,
        /** Widths of the frame at the first plane and at the last, mm. */
        public float $firstFieldMm,
        public float $lastFieldMm,
        /** Where the ring is set before the first frame, 0 to 1. */
        public float $startFocus,
        /** Planes of focus from the sensor mark, mm, near to far. */
        public array $planesMm,
    ) {
    }

    /**
     * Share of the ring's travel that setting 1 turns it by, from two frames that were taken where the rig stands now.
     *
     * @param  int  $setting  of the camera while they were taken, 1 to 10
     * @param  int  $frames  from the first to the last, that one too: 2 to 999
     * @param  float  $movedMm  how far the plane of focus went meanwhile, away from the camera, above 0
     *
     * @throws InvalidFigure names what can't be
     */
    public static function measured(Rig $rig, int $setting, int $frames, float $movedMm): float
    {
        if ($setting < 1 || $setting > self::MOST_SETTING) {
            throw InvalidFigure::because('setting', 'should be 1 to '.self::MOST_SETTING);
        }
        if ($frames < 2 || $frames > self::MOST) {
            throw InvalidFigure::because('frames', 'should be 2 to '.self::MOST);
        }
        if (! is_finite($movedMm) || $movedMm <= 0.0) {
            throw InvalidFigure::because('movedMm', 'should be above 0');
        }
        $ring = RingStack::ring($rig) ?? throw InvalidFigure::because('rig', 'has no focus ring that a camera could turn');
        $from = Reading::of($rig)->subjectDistanceMm ?? throw InvalidFigure::because('rig', 'is sharp nowhere as it is set');
        $to = RingStack::focusAt($rig, $ring, $from + $movedMm) ?? throw InvalidFigure::because('movedMm', 'is further than the ring goes from here');
        $way = abs($to - ($rig->setting->focus[$ring->part] ?? 0.0));

        return $way > 0.0 ? $way / (($frames - 1) * $setting) : throw InvalidFigure::because('movedMm', 'moves no ring');
    }

    /**
     * Through a depth whose middle is where it is focused now.
     *
     * @param  float  $depthMm  0 or more
     * @return ?self null = no ring that a camera could turn, its step isn't measured, or its ends aren't within the ring's reach
     */
    public static function through(Rig $rig, float $depthMm, float $overlap = Stack::OVERLAP): ?self
    {
        $ring = RingStack::ring($rig);
        $step = $ring === null ? null : self::stepOf($rig, $ring);
        $now = Reading::of($rig)->subjectDistanceMm;
        if ($ring === null || $step === null || $now === null) {
            return null;
        }
        $near = RingStack::focusAt($rig, $ring, $now - $depthMm / 2.0);
        $far = RingStack::focusAt($rig, $ring, $now + $depthMm / 2.0);
        if ($near === null || $far === null) {
            return null;
        }
        $found = null;
        for ($setting = 1; $setting <= self::MOST_SETTING; $setting++) {
            $tried = self::at($rig, $ring, $near, $far, $setting, $step * $setting, $overlap);
            // Fine ones may take too many frames; coarser ones only widen the steps.
            if ($tried === null) {
                continue;
            }
            if ($found === null || $tried['keeps']) {
                $found = $tried;
            }
            if (! $tried['keeps']) {
                break;
            }
        }

        return $found['plan'] ?? null;
    }

    /** Share of the ring's travel that the camera's setting 1 turns it by; null = not measured. */
    private static function stepOf(Rig $rig, Travel $ring): ?float
    {
        $lens = $rig->chain[$ring->part];
        $step = $lens instanceof Lens ? $lens->document->floatOrNull('bracketStep') : null;

        return $step === null || $step <= 0.0 ? null : $step;
    }

    /** @return ?array{plan: self, keeps: bool} null = it takes more frames than any camera does, or isn't sharp all the way */
    private static function at(Rig $rig, Travel $ring, float $near, float $far, int $setting, float $step, float $overlap): ?array
    {
        $frames = (int) ceil(abs($far - $near) / $step - 1e-9) + 1;
        if ($frames > self::MOST) {
            return null;
        }
        $way = $far < $near ? -$step : $step;
        $planes = $fields = [];
        $widest = 0.0;
        $keeps = true;
        $gap = false;
        $slice = 0.0;
        for ($n = 0; $n < $frames; $n++) {
            $moved = $rig->with($ring->kind, $ring->part, max($ring->least, min($ring->greatest, $near + $n * $way)));
            $reading = Reading::along($moved, Axis::of($moved));
            $now = Stack::depths(ReadingTable::ofOne($reading), $rig->conditions->totalDepth)[0];
            if ($reading->subjectDistanceMm === null || $reading->fieldWidthMm === null || $now === null || $now <= 0.0) {
                return null;
            }
            if ($n > 0) {
                $apart = $reading->subjectDistanceMm - $planes[$n - 1];
                $widest = max($widest, $apart);
                $keeps = $keeps && $apart <= min($slice, $now) * (1.0 - $overlap) * (1.0 + 1e-9);
                $gap = $gap || $apart > min($slice, $now) * (1.0 + 1e-9);
            }
            $planes[] = $reading->subjectDistanceMm;
            $fields[] = $reading->fieldWidthMm;
            $slice = $now;
        }

        return ['plan' => new self($setting, $frames, $widest, $gap, $fields[0], $fields[$frames - 1], $near, $planes), 'keeps' => $keeps];
    }
}
