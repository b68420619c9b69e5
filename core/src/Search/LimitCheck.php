<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Finding\Weight;
use ZincThimble\Core\Optics\RayMatrix;
use ZincThimble\Core\Reading\Depth;
use ZincThimble\Core\Rig\Conditions;

/** Holds what a front assembly does at one place against a wish, on one camera. */
final readonly class LimitCheck
{
    private float $factor;

    private float $throat;

    private float $blurMm;

    private float $lambdaMm;

    private ?float $swayMm;

    private ?float $pitchMm;

    public function __construct(private CameraBody $base, private SearchCriteria $wanted, private Conditions $conditions)
    {
        $camera = $base->camera;
        $this->factor = $base->factor();
        $this->throat = $camera->throatMm === null ? 0.0 : $camera->registerMm / $camera->throatMm;
        $this->blurMm = $conditions->blurLimit($camera->frame($conditions->mode));
        $this->pitchMm = $camera->frame($conditions->mode)->pitchMm();
        $this->lambdaMm = $conditions->wavelengthNm * 1e-6;
        $this->swayMm = Limits::SWAY_MM[$conditions->support ?? ''] ?? null;
    }

    /** Whether a limit depends on how much light gets through, so that a narrow ring behind the front assembly could break it. */
    public function asksForLight(): bool
    {
        return $this->wanted->mostStopsLost !== null || $this->wanted->depthMm !== null || $this->wanted->detailMm !== null;
    }

    /** Whether a front assembly at a distance from the sensor, mm, draws a picture that keeps all limits: what `at` says of it, without its light where no limit asks for that. */
    public function fits(FrontOptics $optics, RayMatrix $lay, float $z): bool
    {
        if ($this->asksForLight()) {
            return $this->at($optics, $lay, $z)?->fits === true;
        }
        $room = self::room($lay, $z);

        return $room !== null && $this->wanted->roomIsMet($room) && ! $this->isTooLong($z + $lay->front + $this->base->converterMm());
    }

    /** Working distance, mm; null = there is no picture of anything outside of the front assembly. */
    private static function room(RayMatrix $lay, float $z): ?float
    {
        $y = $lay->a * $z + $lay->b;
        $t = $lay->c * $z + $lay->d;
        if (! ($y > 0.0 && $t < 0.0 || $y < 0.0 && $t > 0.0)) {
            return null;
        }
        $room = ($lay->last - $y / $t - $lay->reduced) * $lay->medium;

        return $room < 0.0 ? null : $room;
    }

    private function isTooLong(float $length): bool
    {
        return $this->wanted->mostLengthMm !== null && $length > $this->wanted->mostLengthMm;
    }

    /** The front assembly at a distance from the sensor, mm; null where it draws no picture of anything outside it. */
    public function at(FrontOptics $optics, RayMatrix $lay, float $z): ?FrontSetting
    {
        $room = self::room($lay, $z);
        if ($room === null) {
            return null;
        }
        $t = $lay->c * $z + $lay->d;
        $m = abs($t) * $this->factor;

        // What limits the light: everything but the working diaphragm, and that one at its widest.
        $fixed = $this->throat;
        $fixedAt = -1;
        $open = 0.0;
        foreach ($lay->radius as $j => $radius) {
            $number = abs($lay->alpha[$j] * $z + $lay->beta[$j]) / (2.0 * $radius);
            if ($j === $lay->working) {
                $open = $number;
            } elseif ($number > $fixed) {
                $fixed = $number;
                $fixedAt = $j;
            }
        }
        $telecentric = false;
        if ($lay->na !== null && abs($t) / (2.0 * $lay->na) > $fixed) {
            $fixed = abs($t) / (2.0 * $lay->na);
            $telecentric = true;
        }

        $stop = null;
        $effective = max($fixed, $open) * $this->factor;
        $depth = null;
        $detail = null;
        $short = 0.0;
        foreach ($this->stopsToTry($optics, $m) as $try) {
            $number = $try === null || $optics->widest === null ? $open : $open * $try / $optics->widest;
            $effective = max($fixed, $number) * $this->factor;
            $stop = $try;
            $depth = $effective > 0.0 ? $this->depthMm($lay, $z, $m, $effective, $telecentric && $number <= $fixed, $number > $fixed ? $lay->working : $fixedAt) : null;
            $detail = 1.22 * $this->lambdaMm * $effective / $m;
            if ($this->wanted->depthMm === null) {
                // The first that diffraction doesn't spoil.
                if (2.44 * $this->lambdaMm * $effective <= Limits::SPOT_OVER_BLUR * $this->blurMm) {
                    break;
                }

                continue;
            }
            $short = $depth === null || $depth >= $this->wanted->depthMm ? 0.0 : $this->wanted->depthMm / max(1e-9, $depth) - 1.0;
            if ($short === 0.0) {
                break;
            }
        }
        $lost = $stop === null || $effective <= 0.0 ? null : 2.0 * log($effective / ($stop / $lay->shown), 2.0);
        $miss = $short + $this->miss($room, $z + $lay->front + $this->base->converterMm(), $lost, $detail);

        return new FrontSetting(
            s: $lay->s, z: $z, magnification: $m, workingDistanceMm: $room, subjectDistanceMm: $z + $lay->front + $room + $this->base->converterMm(), stop: $stop, effective: $effective, stopsLost: $lost,
            weight: $this->weight($optics, $room, $effective, $depth, $m), fits: $miss === 0.0, miss: $miss,
        );
    }

    /** @return list<?float> marked stops, the first that will do is taken */
    private function stopsToTry(FrontOptics $optics, float $m): array
    {
        return $this->wanted->depthMm === null ? $optics->usualStops($this->base->converter === null ? $m : null) : $optics->stops();
    }

    /** By how much room, length, light and detail miss their limits, as a sum of shares. */
    private function miss(float $room, float $length, ?float $lost, ?float $detail): float
    {
        $wanted = $this->wanted;
        $miss = 0.0;
        if (! $wanted->roomIsMet($room)) {
            $miss += abs(log(max(0.1, $room) / max(0.1, $wanted->leastRoomMm ?? $wanted->workingDistanceMm ?? 0.1)));
        }
        if ($this->isTooLong($length)) {
            $miss += $length / max(1.0, (float) $wanted->mostLengthMm) - 1.0;
        }
        if ($wanted->mostStopsLost !== null && $lost !== null && $lost > $wanted->mostStopsLost + 1e-9) {
            $miss += ($lost - $wanted->mostStopsLost) / 4.0;
        }
        if ($wanted->detailMm !== null && $detail !== null && $detail > $wanted->detailMm) {
            $miss += $detail / $wanted->detailMm - 1.0;
        }

        return $miss;
    }

    /**
     * Depth of field, mm, with the chief ray through the opening that is the stop (OPTICS.md, "Depth"); null = to infinity.
     *
     * @param  int  $by  that opening; -1 = the camera's mount
     */
    private function depthMm(RayMatrix $lay, float $z, float $m, float $effective, bool $telecentric, int $by): ?float
    {
        $pupil = null;
        if (! $telecentric) {
            $alpha = $lay->alpha[$by] ?? null;
            $axial = $alpha === null ? $this->base->camera->registerMm : $alpha * $z + ($lay->beta[$by] ?? 0.0);
            if ($axial !== 0.0) {
                $y = $lay->a * $z + $lay->b;
                $t = $lay->c * $z + $lay->d;
                $x = -($alpha ?? 1.0) / $axial;
                $slope = $lay->c + $x * $t;
                $pupil = abs($slope) > 1e-14 * (1.0 + abs($x * $t)) ? (-$y / $t + ($lay->a + $x * $y) / $slope) * $lay->medium : null;
            }
        }
        $near = Depth::near($m, $effective, $this->blurMm, $pupil, $lay->medium);
        $far = Depth::far($m, $effective, $this->blurMm, $pupil, $lay->medium);

        return $near === null || $far === null ? null : $near + $far;
    }

    /** Weight of what is certain whatever stands behind the front assembly (Weight). */
    private function weight(FrontOptics $optics, float $room, float $effective, ?float $depth, float $m): float
    {
        $weight = 0.5 * $optics->disagree;
        $gap = atan2($room, $optics->frontOuter / 2.0) * 180.0 / M_PI;
        $isShut = $gap < Limits::SHUT_OUT_DEG;
        $weight += match (true) {
            $room < Limits::TOUCHING_MM => $isShut ? 1.5 : 1.0,
            $isShut => Weight::shade($gap),
            default => 0.0,
        };
        $spot = 2.44 * $this->lambdaMm * $effective;
        $isSpread = $spot > Limits::SPOT_OVER_BLUR * $this->blurMm;
        $weight += $isSpread ? Weight::spread($spot, $this->blurMm) : 0.0;
        if ($depth !== null && $depth > 0.0 && ! $this->conditions->totalDepth) {
            $weight += $this->swayMm !== null && $this->swayMm > $depth / 2.0 ? Weight::sway($this->swayMm, $depth) : 0.0;
            $needed = $this->wanted->subjectDepthMm;
            $weight += ! $isSpread && $needed !== null && $needed > Limits::MANY_SLICES * $depth ? Weight::thin($needed, $depth) : 0.0;
        }

        return $weight + self::rest($optics->far, $optics->curved, $this->wanted, $m, 1.22 * $this->lambdaMm * $effective / $m, $this->pitchMm);
    }

    /** Weight of what no warning says: which way round above life size, a curved field for a flat thing, detail lost to diffraction. */
    public static function rest(bool $far, bool $curved, SearchCriteria $wanted, float $m, float $detailMm, ?float $pitchMm): float
    {
        return ($far && $m > Limits::BETTER_REVERSED ? Weight::WRONG_WAY : 0.0)
            + ($curved && $wanted->flat ? Weight::CURVED_FIELD : 0.0)
            + ($pitchMm === null ? 0.0 : Weight::DETAIL * max(0.0, log(max(1e-9, $detailMm) * $m / (2.0 * $pitchMm), 2.0)));
    }
}
