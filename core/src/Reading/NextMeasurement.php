<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\LensShot;
use ZincThimble\Core\Rig\LensFigure;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\SettledLens;
use ZincThimble\Core\Rig\ShotTrace;

/**
 * The measurement that narrows a reading most for its trouble, found by trying each on paper (OPTICS.md, "How sure"). Every uncertain
 * input is one independent way of being wrong, told in half-widths; a measurement that is moved by them as `m` and good to `h` leaves
 * of a reading that is moved as `r` the half-width `sqrt(r r - (r m)^2 / (m m + h^2))`. What doesn't touch the reading has r m = 0.
 */
final readonly class NextMeasurement
{
    /** None is named that wouldn't halve it. */
    private const WORTH = 0.5;

    /** Share of a focal length that a lens is put on for a shot on other spacers. */
    private const EXTENDED = 0.5;

    /** How long a ring to turn a lens round on is, mm. */
    private const TURNING_RING_MM = 4.0;

    /** Half-widths of a length by callipers, of a distance from a glass, mm, and of a number that a camera shows, as a share. */
    private const CALLIPERS_MM = 0.2;

    private const GLASS_MM = 3.0;

    private const SHOWN = 0.03;

    private function __construct(
        public MeasurementWay $way,
        /** Place in the chain of what is measured. */
        public int $part,
        /** Half-width of the reading as it is, and as it would be. */
        public float $before,
        public float $after,
    ) {
    }

    /**
     * The one for each reading that carries a half-width; none where nothing a person can measure would halve it.
     *
     * @return array<string, self> by reading
     */
    public static function ofAll(Rig $rig, Uncertainty $sure): array
    {
        $ways = self::ways($rig, $sure);
        $found = [];
        foreach (Uncertainty::READINGS as $reading) {
            $before = $sure->halfWidth($reading);
            if ($before === null) {
                continue;
            }
            $most = 0.0;
            foreach ($ways as [$way, $part, $observations]) {
                $after = self::left($sure->changes[$reading], $observations);
                $worth = $before / max($after, 1e-12) / $way->trouble();
                if ($after <= self::WORTH * $before && $worth > $most * Uncertainty::CLEARLY) {
                    $most = $worth;
                    $found[$reading] = new self($way, $part, $before, $after);
                }
            }
        }

        return $found;
    }

    /** Null = nothing a person can measure would halve it. */
    public static function of(Rig $rig, Uncertainty $sure, string $reading): ?self
    {
        return self::ofAll($rig, $sure)[$reading] ?? null;
    }

    /**
     * @param  list<float>  $r
     * @param  list<array{list<float>, float}>  $observations  how each input moves what is measured, and its half-width
     */
    private static function left(array $r, array $observations): float
    {
        // One measurement after the other; what it leaves of everything else is the square root of I - m m / (m m + h^2), Potter's.
        while ($observations !== []) {
            [$m, $half] = array_shift($observations);
            $whole = self::dot($m, $m) + $half * $half;
            if ($whole <= 0.0) {
                continue;
            }
            $keep = 1.0 / (1.0 + sqrt($half * $half / $whole));
            $r = self::less($r, $m, self::dot($r, $m) / $whole * $keep);
            $rest = [];
            foreach ($observations as [$other, $otherHalf]) {
                $rest[] = [self::less($other, $m, self::dot($other, $m) / $whole * $keep), $otherHalf];
            }
            $observations = $rest;
        }

        return sqrt(self::dot($r, $r));
    }

    /**
     * @param  list<float>  $v
     * @param  list<float>  $m
     * @return list<float> `v - share m`
     */
    private static function less(array $v, array $m, float $share): array
    {
        $less = [];
        foreach ($v as $k => $value) {
            $less[] = $value - $share * $m[$k];
        }

        return $less;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $k => $value) {
            $sum += $value * $b[$k];
        }

        return $sum;
    }

    /** @return list<array{MeasurementWay, int, list<array{list<float>, float}>}> */
    private static function ways(Rig $rig, Uncertainty $sure): array
    {
        $ways = [];
        $reading = Reading::onAxis($rig);
        $measured = array_key_first($rig->lenses) ?? 0;
        if ($reading->magnification !== null && $reading->magnification > 0.0) {
            $ruler = [$sure->changes['magnification'], LensShot::MAGNIFICATION * $reading->magnification];
            $distance = [$sure->changes['workingDistanceMm'], LensShot::WORKING_MM];
            $ways[] = [MeasurementWay::RulerHere, $measured, [$ruler]];
            if ($reading->workingDistanceMm !== null && $reading->workingDistanceMm >= 0.0) {
                $ways[] = [MeasurementWay::DistanceHere, $measured, [$distance]];
                $ways[] = [MeasurementWay::RulerAndDistanceHere, $measured, [$ruler, $distance]];
            }
        }
        foreach ($rig->lenses as $i => $lens) {
            array_push($ways, ...self::ofLens($sure, $i, $lens));
        }
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof CloseUpLens) {
                // D = 1000 / d: a distance that is off by so much makes the power off by D^2 / 1000 of that.
                $ways[] = [MeasurementWay::Power, $i, [self::alone($sure, $i, 'powerD', $part->powerD ** 2 / 1000.0 * self::GLASS_MM, $part->powerHalfWidthD)]];
            }
        }

        return $ways;
    }

    /** @return list<array{MeasurementWay, int, list<array{list<float>, float}>}> */
    private static function ofLens(Uncertainty $sure, int $i, SettledLens $lens): array
    {
        $f = $lens->f0;
        $ways = [
            [MeasurementWay::Window, $i, [self::figure($sure, $i, $lens, LensFigure::Register, LensShot::WINDOW_MM)]],
            [MeasurementWay::Rim, $i, [self::figure($sure, $i, $lens, LensFigure::FrontRim, self::CALLIPERS_MM)]],
            [MeasurementWay::ShownAtClosest, $i, [self::alone($sure, $i, 'closeEffectiveAperture', self::SHOWN, 0.15)]],
        ];
        if ($lens->widest !== null && $lens->known->pupilRatioHalfWidth > 0.0) {
            $entrance = $f / $lens->widest;
            $half = $lens->p0 * hypot(0.3 / $entrance, 0.3 / ($entrance * $lens->p0));
            $ways[] = [MeasurementWay::Pupils, $i, [self::alone($sure, $i, 'pupilRatio', $half, $lens->known->pupilRatioHalfWidth)]];
        }
        $shots = [
            [MeasurementWay::RulerUsual, new LensShot($lens->register, self::EXTENDED * $f), 'workingDistanceMm'],
            [MeasurementWay::RulerTurned, new LensShot($lens->register, self::TURNING_RING_MM + self::EXTENDED * $f, true), 'workingDistanceMm'],
        ];
        if ($lens->turns()) {
            $shots[] = [MeasurementWay::RulerClosest, new LensShot($lens->register, 0.0, false, 1.0), 'subjectDistanceMm'];
        }
        foreach ($shots as [$way, $shot, $distance]) {
            $trace = ShotTrace::of($lens, $shot);
            // What can't be photographed is no advice.
            if ($trace->magnification > 0.05 && $trace->magnification < 10.0 && $trace->workingDistanceMm > 3.0) {
                $ways[] = [$way, $i, [
                    self::shot($sure, $i, $lens, $shot, 'magnification', LensShot::MAGNIFICATION * $trace->magnification),
                    self::shot($sure, $i, $lens, $shot, $distance, $distance === 'workingDistanceMm' ? LensShot::WORKING_MM : LensShot::SUBJECT_MM),
                ]];
            }
        }

        return $ways;
    }

    /** @return array{list<float>, float} what each input moves a measure of a shot by */
    private static function shot(Uncertainty $sure, int $i, SettledLens $lens, LensShot $shot, string $reading, float $half): array
    {
        return [self::each($sure, $i, static fn (int $way): float => (ShotTrace::of($lens->moved($way, 1.0), $shot)->reading($reading) - ShotTrace::of($lens->moved($way, -1.0), $shot)->reading($reading)) / 2.0), $half];
    }

    /** @return array{list<float>, float} what each input moves one figure by */
    private static function figure(Uncertainty $sure, int $i, SettledLens $lens, LensFigure $figure, float $half): array
    {
        $at = (int) array_search($figure, $lens->figures, true);

        return [self::each($sure, $i, static fn (int $way): float => $lens->ways[$way][$at]), $half];
    }

    /**
     * @param  \Closure(int): float  $move  of a column of that lens
     * @return list<float>
     */
    private static function each(Uncertainty $sure, int $i, \Closure $move): array
    {
        return array_map(static fn (UncertainInput $input): float => $input->part === $i && $input->way >= 0 ? $move($input->way) : 0.0, $sure->inputs);
    }

    /** @return array{list<float>, float} an input that stands by itself is moved by its own half-width */
    private static function alone(Uncertainty $sure, int $i, string $field, float $half, float $own): array
    {
        return [array_map(static fn (UncertainInput $input): float => $input->part === $i && $input->way < 0 && $input->field === $field ? $own : 0.0, $sure->inputs), $half];
    }
}
