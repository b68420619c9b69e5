<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/**
 * What mates with what: same standard, one half male and the other female (handbook, "The parts").
 */
final class Mating
{
    /** Of two ends that face each other. */
    public static function ofEnds(JointEnd $front, JointEnd $rear): Fit
    {
        if ($front->joints === [] || $rear->joints === []) {
            return Fit::Unknown;
        }
        $best = Fit::Different;
        foreach ($front->joints as $one) {
            foreach ($rear->joints as $other) {
                if ($one->type === JointType::Improvised || $other->type === JointType::Improvised) {
                    $best = Fit::Improvised;

                    continue;
                }
                if ($one->sameStandard($other)) {
                    if ($front->side !== $rear->side || $one->type === JointType::Fixed) {
                        return Fit::Mates;
                    }
                    $best = $best === Fit::Different ? Fit::SameSide : $best;
                } elseif ($one->looksLike($other)) {
                    $best = $best === Fit::Different ? Fit::LookAlike : $best;
                }
            }
        }

        return $best;
    }

    /** Of a part put on the one behind it; null behind = the camera. */
    public static function of(Camera $camera, ?Part $behind, Part $part): Fit
    {
        $front = $behind === null ? $camera->front : $behind->identity->front;
        if ($part instanceof CloseUpLens && $part->identity->rear->main()?->type === JointType::Clip) {
            return self::clip($behind, $part);
        }

        return self::ofEnds($front, $part->identity->rear);
    }

    /** A part the other way round; null where it goes only one way: a lens that comes off its camera does, and a ring of two threads. */
    public static function turned(Part $part): ?Part
    {
        return match (true) {
            $part instanceof Lens => $part->identity->rear->main()?->type === JointType::Fixed ? null : $part->turned(),
            $part instanceof Spacer => $part->turns() ? $part->turned() : null,
            default => null,
        };
    }

    private static function clip(?Part $behind, CloseUpLens $part): Fit
    {
        if ($behind === null) {
            return Fit::Different;
        }
        // It goes round what a thread is cut into: the thread tells how wide that is, the barrel behind it doesn't.
        $thread = $behind->identity->front->main();
        $width = $thread?->isThread() === true ? (float) $thread->diameterMm : Outline::frontMm($behind);
        $fits = $width >= ($part->clipMinMm ?? 0.0) && $width <= ($part->clipMaxMm ?? INF);

        return $fits ? Fit::Mates : Fit::ClipSize;
    }
}
