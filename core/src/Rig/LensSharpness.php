<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensTrial;

/**
 * What a trial tells of the lens of a rig (OPTICS.md, "Measuring pictures"): used within a factor of 1.5 of the magnification it was made
 * at, the same way round, and only where nothing else that draws the picture is in the rig.
 */
final readonly class LensSharpness
{
    /** Magnifications that one trial holds for, either way. */
    private const NEAR = 1.5;

    /** Zoom settings that are the same, as a factor. */
    private const SAME_ZOOM = 1.02;

    private function __construct(public LensTrial $trial)
    {
    }

    /** @return ?self null = there is no trial that tells it */
    public static function of(Rig $rig, ?float $magnification): ?self
    {
        $at = $rig->workingLens();
        $lens = $at === null ? null : $rig->chain[$at];
        if ($at === null || ! $lens instanceof Lens || $lens->trials === []) {
            return null;
        }
        if (LensAlone::at($rig, $at) === null) {
            return null;
        }

        return self::ofLens($lens, $magnification, $lens->isZoom() ? $rig->setting->zoomMm[$at] ?? $lens->figures->focalLengthMm : null);
    }

    /** Of a lens with nothing beside it, as it stands: the trial nearest to that magnification. */
    public static function ofLens(Lens $lens, ?float $magnification, ?float $zoomMm): ?self
    {
        if ($magnification === null || $magnification <= 0.0) {
            return null;
        }
        $nearest = null;
        $least = log(self::NEAR) + 1e-9;
        foreach ($lens->trials as $trial) {
            $off = abs(log($magnification / $trial->magnification));
            if ($trial->reversed === $lens->reversed && self::isSameZoom($trial->zoomMm, $zoomMm) && $off <= $least) {
                // Of two that are as near, the one that was made last.
                [$nearest, $least] = [$trial, $off];
            }
        }

        return $nearest === null ? null : new self($nearest);
    }

    /** Marked number of the sharpest stop. */
    public function sharpest(): float
    {
        return $this->trial->sharpest();
    }

    /** Standard deviation of what the lens blurs of its own at a marked number, mm at the sensor; 0 where the number isn't known. */
    public function blurMm(?float $aperture): float
    {
        return $aperture === null ? 0.0 : $this->trial->blurAtMm($aperture);
    }

    private static function isSameZoom(?float $tried, ?float $set): bool
    {
        return $tried === null || $set === null || abs(log($tried / $set)) <= log(self::SAME_ZOOM);
    }
}
