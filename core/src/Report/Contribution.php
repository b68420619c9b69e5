<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Rig;

/** What one part adds to a rig: the readings with it less those of the same rig without it, everything else set as it is. */
final readonly class Contribution
{
    private function __construct(
        public int $part,
        public float $magnification,
        /** mm; below 0 = it takes room. */
        public float $workingDistanceMm,
        /** Stops of light that it costs; null = the light isn't known. */
        public ?float $stops,
    ) {
    }

    /**
     * Of each part that changes anything and without which there still is an image; a lens adds all there is.
     *
     * @return list<self> from the camera outwards
     */
    public static function all(Rig $rig): array
    {
        $whole = Reading::onAxis($rig);
        $all = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens || $part instanceof Objective) {
                continue;
            }
            $rest = Reading::along($rig, Axis::of($rig, $i), false);
            if ($whole->magnification === null || $whole->workingDistanceMm === null || $rest->magnification === null || $rest->workingDistanceMm === null) {
                continue;
            }
            $one = new self(
                $i, $whole->magnification - $rest->magnification, $whole->workingDistanceMm - $rest->workingDistanceMm,
                $whole->effectiveAperture === null || $rest->effectiveAperture === null ? null : 2.0 * log($whole->effectiveAperture / $rest->effectiveAperture, 2.0),
            );
            if (abs($one->magnification) > 1e-9 || abs($one->workingDistanceMm) > 1e-9) {
                $all[] = $one;
            }
        }

        return $all;
    }
}
