<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/**
 * The effective aperture at each marked stop: that of the working diaphragm, which goes with its marked number, or of whatever else
 * limits the light, whichever is greater. Two readings at the most tell both.
 */
final readonly class StopNumbers
{
    /**
     * @param  non-empty-list<float>  $stops
     * @param  list<float>  $effective
     */
    private function __construct(
        private Rig $rig,
        private int $at,
        private array $stops,
        public float $magnification,
        /** At each of the stops. */
        public array $effective,
        /** Whether the diaphragm limits the light even at its widest. */
        private bool $alone,
        private ?float $pupilMm,
        private float $medium,
    ) {
    }

    /**
     * @param  non-empty-list<float>  $stops  widest first
     * @return ?self null = nothing is imaged
     */
    public static function of(Rig $rig, int $at, array $stops): ?self
    {
        $open = $rig->with(TravelKind::Aperture, $at, $stops[0]);
        $axis = Axis::of($open);
        $wide = Reading::along($open, $axis, false);
        if ($wide->magnification === null || $wide->magnification <= 0.0 || $wide->effectiveAperture === null) {
            return null;
        }
        $else = $perStop = 0.0;
        $alone = $wide->stopPart === $at;
        if ($alone) {
            $perStop = $wide->effectiveAperture / $stops[0];
        } else {
            $else = $wide->effectiveAperture;
            $last = $stops[count($stops) - 1];
            $narrow = Reading::onAxis($rig->with(TravelKind::Aperture, $at, $last));
            if ($narrow->stopPart === $at && $narrow->effectiveAperture !== null) {
                $perStop = $narrow->effectiveAperture / $last;
            }
        }
        $effective = [];
        foreach ($stops as $stop) {
            $number = $perStop * $stop;
            $effective[] = $number > $else ? $number : $else;
        }

        return new self($rig, $at, $stops, $wide->magnification, $effective, $alone, $wide->entrancePupilMm, $axis->medium);
    }

    /**
     * The slice at one of the stops, mm, by the model the rig's conditions ask for, and the entrance pupil to the subject.
     *
     * @return array{sliceMm: ?float, pupilMm: ?float} null = to infinity; telecentric
     */
    public function at(int $stop): array
    {
        $total = $this->rig->conditions->totalDepth;
        if (! $this->alone) {
            $reading = Reading::onAxis($this->rig->with(TravelKind::Aperture, $this->at, $this->stops[$stop]));

            return ['sliceMm' => Stack::depths(ReadingTable::ofOne($reading), $total)[0], 'pupilMm' => $reading->entrancePupilMm];
        }
        // The same diaphragm limits the light at every stop, so the pupil stays where it is.
        $number = $this->effective[$stop];
        $near = Depth::near($this->magnification, $number, $this->rig->blurLimitMm, $this->pupilMm, $this->medium);
        $far = Depth::far($this->magnification, $number, $this->rig->blurLimitMm, $this->pupilMm, $this->medium);
        $wave = $total ? Depth::wave($this->magnification, $number, $this->rig->conditions->wavelengthNm * 1e-6, $this->medium) : 0.0;

        return ['sliceMm' => $near === null || $far === null ? null : $near + $far + $wave, 'pupilMm' => $this->pupilMm];
    }
}
