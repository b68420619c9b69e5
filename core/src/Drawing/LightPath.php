<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Vignetting;
use ZincThimble\Core\Rig\Rig;

/** The light cone and the ray from the corner, as heights at the principal planes, for the drawing. mm. */
final readonly class LightPath
{
    /**
     * @param  list<array{zi: float, zo: float, cone: ?float, chief: ?float}>  $groups
     */
    private function __construct(
        public array $groups,
        /** Half the frame's diagonal, where the corner ray starts. */
        public float $cornerMm,
        /** Height at which the corner ray meets the subject plane. */
        public ?float $cornerAtSubjectMm,
    ) {
    }

    /** Where the cone and the corner's ray stand at each group, mm; null where there is none. */
    public static function of(Rig $rig, Axis $axis, Reading $reading): self
    {
        $neff = $reading->effectiveAperture;
        $scale = $neff === null ? null : 1.0 / (2.0 * $neff / $axis->factor);
        $corner = Vignetting::cornerMm($rig) / $axis->factor;
        $x = self::chiefShare($axis, $reading);
        $y = 0.0;
        $t = 1.0;
        $fy = 1.0;
        $ft = 0.0;
        $z = 0.0;
        $groups = [];
        $group = static fn (float $zi, float $zo, float $y, float $fy): array => [
            'zi' => $zi + $axis->converterMm,
            'zo' => $zo + $axis->converterMm,
            'cone' => $scale === null ? null : $y * $scale,
            'chief' => $x === null ? null : $corner * ($fy + $x * $y),
        ];
        foreach ($axis->phi as $k => $power) {
            $d = $axis->zi[$k] - $z;
            $y += $t * $d;
            $fy += $ft * $d;
            $z = $axis->zo[$k];
            $groups[] = $group($axis->zi[$k], $z, $y, $fy);
            $t -= $y * $power;
            $ft -= $fy * $power;
            $times = $axis->scale[$k];
            if ($times !== 1.0) {
                // What an afocal group does to a height is a step.
                [$y, $t, $fy, $ft] = [$y * $times, $t / $times, $fy * $times, $ft / $times];
                $groups[] = $group($z, $z, $y, $fy);
            }
        }
        $m = $reading->magnification;

        return new self($groups, $corner, $reading->image === Image::Real && $m !== null && $m > 0.0
            ? ($reading->erect ? 1.0 : -1.0) * Vignetting::cornerMm($rig) / $m
            : null);
    }

    /** Share of the axial ray in the chief ray: from the entrance pupil, where the reading has one. */
    private static function chiefShare(Axis $axis, Reading $reading): ?float
    {
        if ($reading->image !== Image::Real) {
            return null;
        }
        if ($reading->entrancePupilMm === null) {
            return -$axis->fieldT / $axis->t;
        }
        // The chief ray crosses the axis at the entrance pupil: y there is 0.
        $back = -$axis->y / $axis->t - $reading->entrancePupilMm / $axis->medium;
        $axial = $axis->y + $axis->t * $back;

        return $axial === 0.0 ? null : -($axis->fieldY + $axis->fieldT * $back) / $axial;
    }
}
