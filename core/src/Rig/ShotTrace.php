<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\LensShot;

/** What a shot would have shown through a lens: the trace of a lens alone on plain spacers (OPTICS.md, "Shots", "The rig"). */
final readonly class ShotTrace
{
    /**
     * A lens that is far from what it was measured to be may have no picture at all there: distances are told as if its magnification were
     * at least this share of the measured one, so that they still say which way is better.
     */
    private const LEAST_SHARE = 0.2;

    private const LEAST = 0.01;

    private function __construct(
        /** Below 0: focused past infinity by as much as that magnification is short of infinity. */
        public float $magnification,
        public float $workingDistanceMm,
        public float $subjectDistanceMm,
    ) {
    }

    public static function of(SettledLens $lens, LensShot $shot): self
    {
        $model = LensModel::of($lens);
        $s = $lens->turns() ? $shot->focus : 0.0;
        $f = $model->focalLength($s);
        $a = $model->a($s);
        $b = $model->b($s);
        $rim = $model->rim($s);
        $z0 = $shot->z0();
        // Sensor to the nearer principal plane, and the mount to the further one.
        [$image, $further, $metal] = $shot->reversed
            ? [$z0 + $rim - $b, $rim - $a, $rim + $model->protrusion]
            : [$z0 + $a, $b, $rim];
        $m = $image / $f - 1.0;
        $subject = $further + $f * (1.0 + 1.0 / max(self::LEAST_SHARE * ($shot->magnification ?? self::LEAST), 1e-4, $m));

        return new self($m, $subject - $metal, $z0 + $subject);
    }

    /**
     * What was measured, with the half-width of each.
     *
     * @param  float  $f  focal length in use: a far window says where the picture came out, to so many mm
     * @return list<array{string, float, float}> reading, value, half-width
     */
    public static function measures(LensShot $shot, float $f): array
    {
        $measures = [];
        if ($shot->magnification !== null) {
            $half = $shot->magnificationHalfWidth
                ?? ($shot->magnification > 0.0 ? LensShot::MAGNIFICATION * $shot->magnification : LensShot::WINDOW_MM / $f);
            $measures[] = ['magnification', $shot->magnification, $half];
        }
        if ($shot->workingDistanceMm !== null) {
            $measures[] = ['workingDistanceMm', $shot->workingDistanceMm, $shot->workingDistanceMmHalfWidth ?? LensShot::WORKING_MM];
        }
        if ($shot->subjectDistanceMm !== null) {
            $measures[] = ['subjectDistanceMm', $shot->subjectDistanceMm, $shot->subjectDistanceMmHalfWidth ?? LensShot::SUBJECT_MM];
        }

        return $measures;
    }

    public function reading(string $name): float
    {
        return match ($name) {
            'magnification' => $this->magnification,
            'workingDistanceMm' => $this->workingDistanceMm,
            default => $this->subjectDistanceMm,
        };
    }
}
