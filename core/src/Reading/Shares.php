<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Trace\RayColumns;

/**
 * One input's share of every half-width at every place of a sweep: `(r(+) - r(-))^2 / 4` (OPTICS.md, "Uncertainty"), in one flat
 * loop over columns of rays.
 *
 * With h the axial height at the stop of radius r, n = |h|/2r its number and K = (g h - t f)/2r (g, t the slopes of field and
 * axial ray in front, f the field height at the stop), Lagrange's invariant makes the entrance pupil `n/(K |t|)` from the
 * subject plane and near and far `W/(1 +- B)` with `W = n c/(M |t|)` and `B = (c/M) K sgn(h t)`.
 *
 * @internal to sweeps; Reading is where each rule is explained
 */
final class Shares
{
    /**
     * @param  list<float>  $places
     * @param  float  $c  blur limit at the sensor, mm
     * @param  ?float  $marked1  marked number of the working lens, where the ring doesn't change it
     */
    public static function add(HalfWidthSums $sums, UncertainInput $input, RayColumns $up, RayColumns $down, array $places, float $medium, float $factor, float $c, ?float $marked1, ?float $marked2): void
    {
        if ($up->sameButMetal($down)) {
            self::metal($sums, $input, $up, $down, $places, $medium);

            return;
        }
        foreach (self::real($sums, $input, $up, $down, $places, $medium, $factor, $c, $marked1, $marked2) as $row) {
            self::odd($sums, $input, $up, $down, $places[$row], $row, $medium, $factor, $up->marked[$row] ?? $marked1, $down->marked[$row] ?? $marked2);
        }
    }

    /** A row where one of the two has no real image, or nothing known limits its light. */
    private static function odd(HalfWidthSums $sums, UncertainInput $input, RayColumns $up, RayColumns $down, float $place, int $row, float $medium, float $factor, ?float $marked1, ?float $marked2): void
    {
        if ($up->n[$row] > 0.0 && $down->n[$row] > 0.0) {
            $sums->apertures($row, $input, $up->n[$row] * $factor, $down->n[$row] * $factor, $marked1, $marked2);
        }
        $t1 = $up->t[$row];
        $t2 = $down->t[$row];
        if ($t1 >= 0.0 && $t2 >= 0.0) {
            $sums->magnifications($row, $input, $t1 * $factor, $t2 * $factor);
        }
        if ($t1 > 0.0 && $t2 > 0.0) {
            $w1 = -$medium * $up->y[$row] / $t1;
            $w2 = -$medium * $down->y[$row] / $t2;
            $sums->distances($row, $input, $w1, $w2, $up->metal + $up->metalWay * $place + $w1, $down->metal + $down->metalWay * $place + $w2, $t1 * $factor, $t2 * $factor);
        }
    }

    /**
     * Only the front-most metal differs: working and subject distance.
     *
     * @param  list<float>  $places
     */
    private static function metal(HalfWidthSums $sums, UncertainInput $input, RayColumns $up, RayColumns $down, array $places, float $medium): void
    {
        $y1 = $up->y;
        $y2 = $down->y;
        $s0 = $up->metal - $down->metal;
        $s1 = $up->metalWay - $down->metalWay;
        $sw = $sums->sums['workingDistanceMm'];
        $ss = $sums->sums['subjectDistanceMm'];
        $most = $sums->most['workingDistanceMm'];
        $source = $sums->sources['workingDistanceMm'];
        $sums->sums['workingDistanceMm'] = $sums->sums['subjectDistanceMm'] = [];
        $sums->most['workingDistanceMm'] = $sums->sources['workingDistanceMm'] = [];
        foreach ($up->t as $row => $t) {
            if ($t <= 0.0) {
                // Without a real image on either side nothing differs.
                continue;
            }
            $w = $medium * ($y2[$row] - $y1[$row]) / $t;
            $share = $w * $w * 0.25;
            $sw[$row] += $share;
            if ($share > $most[$row]) {
                $most[$row] = $share * Uncertainty::CLEARLY;
                $source[$row] = $input;
            }
            $s = $s0 + $s1 * $places[$row] + $w;
            $ss[$row] += $s * $s * 0.25;
        }
        $sums->sums['workingDistanceMm'] = $sw;
        $sums->sums['subjectDistanceMm'] = $ss;
        $sums->most['workingDistanceMm'] = $most;
        $sums->sources['workingDistanceMm'] = $source;
    }

    /**
     * @param  list<float>  $places
     * @return list<int> rows left out, where one of the two has no real image or no stop
     */
    private static function real(HalfWidthSums $sums, UncertainInput $input, RayColumns $up, RayColumns $down, array $places, float $medium, float $factor, float $c, ?float $marked1, ?float $marked2): array
    {
        $uys = $up->y;
        $dys = $down->y;
        $dts = $down->t;
        $uns = $up->n;
        $dns = $down->n;
        $uks = $up->k;
        $dks = $down->k;
        $s0 = $up->metal - $down->metal;
        $s1 = $up->metalWay - $down->metalWay;
        $umarks = $up->marked;
        $dmarks = $down->marked;
        $cm = $c / $factor;
        $mcm = $medium * $cm;
        $perFactor = 1.0 / $factor;
        $shown = $umarks !== [];
        $marked = $shown ? $umarks[0] !== null : $marked1 !== null && $marked2 !== null;
        $markedRatio = $marked && ! $shown ? $marked2 / $marked1 : 1.0;
        $sm = $sums->sums['magnification'];
        $sf = $sums->sums['fieldWidthMm'];
        $sw = $sums->sums['workingDistanceMm'];
        $ss = $sums->sums['subjectDistanceMm'];
        $sn = $sums->sums['effectiveAperture'];
        $sl = $sums->sums['stopsLost'];
        $snear = $sums->sums['nearMm'];
        $sfar = $sums->sums['farMm'];
        $sz = $sums->sums['depthOfFieldMm'];
        $sv = $sums->sums['waveDepthMm'];
        $sd = $sums->sums['detailMm'];
        $sp = $sums->sums['entrancePupilMm'];
        $mostM = $sums->most['magnification'];
        $mostW = $sums->most['workingDistanceMm'];
        $mostN = $sums->most['effectiveAperture'];
        $fromM = $sums->sources['magnification'];
        $fromW = $sums->sources['workingDistanceMm'];
        $fromN = $sums->sources['effectiveAperture'];
        // Arrays that two names hold are copied at the first write: the sums let go of theirs meanwhile.
        $sums->release();
        $odd = [];
        foreach ($up->t as $row => $ut) {
            $dt = $dts[$row];
            $un = $uns[$row];
            $dn = $dns[$row];
            if ($ut <= 0.0 || $dt <= 0.0 || $un <= 0.0 || $dn <= 0.0) {
                $odd[] = $row;

                continue;
            }
            $um = 1.0 / $ut;
            $dm = 1.0 / $dt;
            $change = $factor * ($ut - $dt);
            $share = $change * $change * 0.25;
            $sm[$row] += $share;
            if ($share > $mostM[$row]) {
                $mostM[$row] = $share * Uncertainty::CLEARLY;
                $fromM[$row] = $input;
            }
            $change = ($um - $dm) * $perFactor;
            $sf[$row] += $change * $change * 0.25;
            $w = $medium * ($dys[$row] * $dm - $uys[$row] * $um);
            $share = $w * $w * 0.25;
            $sw[$row] += $share;
            if ($share > $mostW[$row]) {
                $mostW[$row] = $share * Uncertainty::CLEARLY;
                $fromW[$row] = $input;
            }
            $change = $s0 + $s1 * $places[$row] + $w;
            $ss[$row] += $change * $change * 0.25;
            $change = $factor * ($un - $dn);
            $share = $change * $change * 0.25;
            $sn[$row] += $share;
            if ($share > $mostN[$row]) {
                $mostN[$row] = $share * Uncertainty::CLEARLY;
                $fromN[$row] = $input;
            }
            if ($marked) {
                $ratio = $un / $dn * ($shown ? $dmarks[$row] / $umarks[$row] : $markedRatio) - 1.0;
                // log1p(x), to rounding, where an input moves the aperture by little.
                $change = $ratio < 1e-3 && $ratio > -1e-3 ? $ratio * (1.0 - $ratio * (0.5 - $ratio * (1.0 / 3.0 - $ratio * 0.25))) : log(1.0 + $ratio);
                $sl[$row] += $change * $change * HalfWidthSums::STOPS;
            }
            // A converter's factor falls out of N / M.
            $un *= $um;
            $dn *= $dm;
            $change = $un - $dn;
            $sd[$row] += $change * $change * 0.25;
            $change *= $un + $dn;
            $sv[$row] += $change * $change * 0.25;
            $uk = $uks[$row];
            $dk = $dks[$row];
            if ($uk !== 0.0 && $dk !== 0.0) {
                $change = $medium * ($un / $uk - $dn / $dk);
                $sp[$row] += $change * $change * 0.25;
            }
            $un *= $mcm * $um;
            $dn *= $mcm * $dm;
            $uk *= $cm * $um;
            $dk *= $cm * $dm;
            $unear = 1.0 + $uk;
            $dnear = 1.0 + $dk;
            $ufar = 1.0 - $uk;
            $dfar = 1.0 - $dk;
            if ($unear > 0.0 && $ufar > 0.0 && $dnear > 0.0 && $dfar > 0.0) {
                $un /= $unear * $ufar;
                $dn /= $dnear * $dfar;
                $change = $un * $ufar - $dn * $dfar;
                $snear[$row] += $change * $change * 0.25;
                $change = $un * $unear - $dn * $dnear;
                $sfar[$row] += $change * $change * 0.25;
                $change = $un - $dn;
                $sz[$row] += $change * $change;
            } elseif ($unear > 0.0 && $dnear > 0.0) {
                $change = $un / $unear - $dn / $dnear;
                $snear[$row] += $change * $change * 0.25;
            } elseif ($ufar > 0.0 && $dfar > 0.0) {
                $change = $un / $ufar - $dn / $dfar;
                $sfar[$row] += $change * $change * 0.25;
            }
        }
        $sums->take(
            ['magnification' => $sm, 'fieldWidthMm' => $sf, 'workingDistanceMm' => $sw, 'subjectDistanceMm' => $ss, 'effectiveAperture' => $sn, 'stopsLost' => $sl,
                'nearMm' => $snear, 'farMm' => $sfar, 'depthOfFieldMm' => $sz, 'waveDepthMm' => $sv, 'detailMm' => $sd, 'entrancePupilMm' => $sp],
            ['magnification' => $mostM, 'workingDistanceMm' => $mostW, 'effectiveAperture' => $mostN],
            ['magnification' => $fromM, 'workingDistanceMm' => $fromW, 'effectiveAperture' => $fromN],
        );

        return $odd;
    }
}
