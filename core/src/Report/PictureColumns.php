<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Picture\RigPicture;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/**
 * What the picture of a target looks like at every place of a sweep. Scale and disc at the target's near and far end tell every layer
 * between: from one end to the other 1 / scale is a straight line in d, and disc / scale in |d| (OPTICS.md, "What a picture looks like").
 */
final readonly class PictureColumns
{
    /**
     * All by row; null where nothing is imaged.
     *
     * @param  list<?float>  $nearScale  magnification at the near end
     * @param  list<?float>  $nearDiscMm
     * @param  list<?float>  $farScale
     * @param  list<?float>  $farDiscMm
     * @param  list<?float>  $gaussianMm
     * @param  list<?float>  $resolvedDetailMm  in the plane of focus, mm in the subject
     */
    private function __construct(
        public array $nearScale,
        public array $nearDiscMm,
        public array $farScale,
        public array $farDiscMm,
        public array $gaussianMm,
        public array $resolvedDetailMm,
    ) {
    }

    /** @param  float  $depthMm  of the target, 0 or more, the middle of it in the plane of focus */
    public static function of(Rig $rig, Sweep $sweep, float $depthMm): self
    {
        $medium = Axis::of($rig)->medium;
        $columns = $sweep->columns;
        $told = ['nearScale' => [], 'nearDiscMm' => [], 'farScale' => [], 'farDiscMm' => [], 'gaussianMm' => [], 'resolvedDetailMm' => []];
        $at = $rig->workingLens();
        $marked = $at === null ? null : $rig->markedAperture($at);
        foreach ($sweep->positions as $row => $position) {
            $here = $sweep->travel->kind === TravelKind::Aperture && $sweep->travel->part === $at ? $position : $marked;
            $picture = RigPicture::told($rig, $medium, $columns->magnification[$row], $columns->effectiveAperture[$row], $columns->entrancePupilMm[$row], $columns->depthOfFieldMm[$row], $here);
            $near = $picture?->at(-$depthMm / 2.0);
            $far = $picture?->at($depthMm / 2.0);
            $values = [
                'nearScale' => $near?->magnification, 'nearDiscMm' => $near?->discMm, 'farScale' => $far?->magnification, 'farDiscMm' => $far?->discMm,
                'gaussianMm' => $picture?->gaussianMm, 'resolvedDetailMm' => $picture?->resolvedDetailMm(),
            ];
            foreach ($values as $name => $value) {
                $told[$name][] = $value !== null && is_finite($value) ? $value : null;
            }
        }

        return new self(...$told);
    }
}
