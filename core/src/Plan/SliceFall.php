<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/**
 * Where the slice should fall in a subject (OPTICS.md, "Shots"): on the plane of a flat one; through a deep one from its nearest point to its
 * furthest, one shot of it focused where both ends are blurred alike.
 */
final readonly class SliceFall
{
    private function __construct(
        /** The subject's depth with its sag over the frame, mm; 0 = flat. */
        public float $depthMm,
        /** Of it what the sag of a curved one makes, mm. */
        public float $sagMm,
        /** Share of the depth, from the nearest point, at which one shot is focused: a half where near and far sharpness are alike, less where far is more. */
        public float $focusedAt,
    ) {
    }

    /** @return ?self null = nothing is known of the subject's depth, or nothing is sharp */
    public static function of(Rig $rig, Reading $reading): ?self
    {
        $subject = $rig->subject;
        $depth = $subject?->depthOver($reading->fieldWidthMm) ?? ($subject?->flat === true ? 0.0 : null);
        if ($depth === null || $reading->subjectDistanceMm === null) {
            return null;
        }
        $near = $reading->nearMm;
        $far = $reading->farMm;

        return new self(
            depthMm: $depth,
            sagMm: $subject->sagOver($reading->fieldWidthMm) ?? 0.0,
            focusedAt: match (true) {
                $near === null || $near <= 0.0 => 0.5,
                $far === null => 0.0,
                default => $near / ($near + $far),
            },
        );
    }
}
