<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Reading\Solver;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/**
 * A stack by turning the focus ring, the camera where it stands (OPTICS.md, "Shots"): ring positions solved one by one, from the near end to the
 * far one. Steps are as even in the subject as slices allow; on the ring they aren't, and the scale changes from frame to frame.
 */
final readonly class RingStack
{
    /** More frames than these nobody turns a ring for. */
    public const MOST = 2_000;

    /** @param  list<RingFrame>  $frames */
    private function __construct(public Travel $ring, public array $frames, public bool $isWhole)
    {
    }

    /**
     * Through a depth whose middle is where it is focused now.
     *
     * @param  float  $depthMm  0 or more
     * @return ?self null = no ring of it moves focus, or nothing is imaged
     *
     * @throws InvalidFigure when it takes more frames than anybody turns a ring for
     */
    public static function through(Rig $rig, float $depthMm, float $overlap = Stack::OVERLAP): ?self
    {
        $ring = self::ring($rig);
        $now = Reading::of($rig);
        if ($ring === null || $now->subjectDistanceMm === null || $now->magnification === null || $now->magnification <= 0.0) {
            return null;
        }
        $far = $now->subjectDistanceMm + $depthMm / 2.0;
        $frames = [];
        for ($plane = $now->subjectDistanceMm - $depthMm / 2.0; ; $plane += $step) {
            if (count($frames) >= self::MOST) {
                throw InvalidFigure::because('depthMm', sprintf('takes more than %d frames', self::MOST));
            }
            $plane = min($plane, $far);
            $frame = self::frame($rig, $ring, $plane);
            if ($frame === null) {
                // The ring doesn't reach so far: what it reaches is told, and that it isn't all.
                return new self($ring, $frames, false);
            }
            $frames[] = $frame;
            if ($plane >= $far - 1e-9) {
                return new self($ring, $frames, true);
            }
            $step = $frame->sliceMm * (1.0 - $overlap);
        }
    }

    /** The working lens's own ring, else the first that there is. */
    public static function ring(Rig $rig): ?Travel
    {
        $rings = array_values(array_filter(Travels::of($rig), static fn (Travel $travel): bool => $travel->kind === TravelKind::Focus && $travel->spans()));
        foreach ($rings as $ring) {
            if ($ring->part === $rig->workingLens()) {
                return $ring;
            }
        }

        return $rings[0] ?? null;
    }

    /** Where the ring is focused on that plane, 0 to 1, the nearest to where it stands; null = nowhere. */
    public static function focusAt(Rig $rig, Travel $ring, float $planeMm): ?float
    {
        $best = null;
        $stands = Travels::setting($rig, $ring);
        foreach (Solver::along($rig, $ring, SolveTarget::SubjectDistance, $planeMm) as $solution) {
            $focus = Travels::setting($solution->rig, $ring);
            if ($solution->exact && ($best === null || abs($focus - $stands) < abs($best - $stands))) {
                $best = $focus;
            }
        }

        return $best;
    }

    private static function frame(Rig $rig, Travel $ring, float $planeMm): ?RingFrame
    {
        $focus = self::focusAt($rig, $ring, $planeMm);
        if ($focus === null) {
            return null;
        }
        $turned = $rig->with($ring->kind, $ring->part, $focus);
        $reading = Reading::along($turned, Axis::of($turned));
        $slice = Stack::depths(ReadingTable::ofOne($reading), $rig->conditions->totalDepth)[0];

        return $reading->fieldWidthMm === null || $slice === null || $slice <= 0.0 ? null : new RingFrame($focus, $planeMm, $reading->fieldWidthMm, $slice);
    }
}
