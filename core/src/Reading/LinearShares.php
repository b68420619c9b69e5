<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Trace\Image;
use ZincThimble\Core\Trace\LinearTrain;

/**
 * One input's share of every half-width at every place of a sweep, from two trains whose rays are straight lines over the
 * place: `(r(+) - r(-))^2 / 4` (OPTICS.md, "Uncertainty"). The places are cut where the kind of image or the stop
 * changes; in between one flat loop does for both.
 *
 * With h the axial height at the stop of radius r, n = |h|/2r its number and K = (g h - t f)/2r (g, t the slopes of field and
 * axial ray in front, f the field height at the stop), Lagrange's invariant makes the entrance pupil `n/(K |t|)` from the
 * subject plane and near and far `W/(1 +- B)` with `W = n c/(M |t|)` and `B = (c/M) K sgn(h t)`.
 *
 * @internal to sweeps; Reading is where each rule is explained
 */
final class LinearShares
{
    /** A place this near to a cut, as a share of the travel, is looked at by itself. */
    private const NEAR = 1e-9;

    /**
     * @param  list<float>  $places  in order
     * @param  float  $c  blur limit at the sensor, mm
     */
    public static function add(HalfWidthSums $sums, UncertainInput $input, LinearTrain $up, LinearTrain $down, array $places, float $c): void
    {
        $last = count($places) - 1;
        $from = $places[0];
        $to = $places[$last];
        $cuts = [...$up->turnings($from, $to), ...$down->turnings($from, $to)];
        // Where a ray leaves parallel is a stretch, not a point.
        $slack = self::NEAR * ($to - $from) + max(
            $up->t1 === 0.0 ? 0.0 : 2.0 * Image::PARALLEL / abs($up->t1), $down->t1 === 0.0 ? 0.0 : 2.0 * Image::PARALLEL / abs($down->t1),
        );
        sort($cuts);
        $cuts[] = INF;
        $row = 0;
        foreach ($cuts as $cut) {
            $end = $row;
            while ($end <= $last && $places[$end] < $cut - $slack) {
                $end++;
            }
            if ($end > $row) {
                self::stretch($sums, $input, $up, $down, $places, $row, $end, $c);
                $row = $end;
            }
            while ($row <= $last && $places[$row] <= $cut + $slack) {
                self::stretch($sums, $input, $up, $down, $places, $row, $row + 1, $c);
                $row++;
            }
        }
    }

    /**
     * Rows from one up to but not with another, over which nothing changes its kind.
     *
     * @param  list<float>  $places
     */
    private static function stretch(HalfWidthSums $sums, UncertainInput $input, LinearTrain $up, LinearTrain $down, array $places, int $from, int $to, float $c): void
    {
        $middle = $places[intdiv($from + $to - 1, 2)];
        $one = $up->imageAt($middle);
        $other = $down->imageAt($middle);
        if ($one === Image::Real && $other === Image::Real) {
            if ($up->sameButMetal($down)) {
                self::metal($sums, $input, $up, $down, $places, $from, $to);
            } elseif ($up->stopAt($middle) >= 0 && $down->stopAt($middle) >= 0) {
                self::real($sums, $input, $up, $down, $places, $from, $to, $c, $middle);
            } else {
                self::unlimited($sums, $input, $up, $down, $places, $from, $to);
            }

            return;
        }
        $magnifications = $one !== Image::None && $other !== Image::None;
        $stop1 = $up->stopAt($middle);
        $stop2 = $down->stopAt($middle);
        for ($row = $from; $row < $to; $row++) {
            $e = $places[$row];
            if ($stop1 >= 0 && $stop2 >= 0) {
                $n1 = self::number($up, $stop1, $e);
                $n2 = self::number($down, $stop2, $e);
                $sums->apertures($row, $input, $n1, $n2, $up->marked, $down->marked);
            }
            if ($magnifications) {
                $m1 = $one === Image::Real ? abs($up->t0 + $up->t1 * $e) * $up->factor : 0.0;
                $m2 = $other === Image::Real ? abs($down->t0 + $down->t1 * $e) * $down->factor : 0.0;
                $sums->magnifications($row, $input, $m1, $m2);
            }
        }
    }

    /**
     * Only the front-most metal differs: working and subject distance.
     *
     * @param  list<float>  $places
     */
    private static function metal(HalfWidthSums $sums, UncertainInput $input, LinearTrain $up, LinearTrain $down, array $places, int $from, int $to): void
    {
        $t0 = $up->t0;
        $t1 = $up->t1;
        $dy0 = $up->medium * ($down->y0 - $up->y0);
        $dy1 = $up->medium * ($down->y1 - $up->y1);
        $ds0 = $up->s0 - $down->s0;
        $ds1 = $up->s1 - $down->s1;
        $sw = $sums->sums['workingDistanceMm'];
        $ss = $sums->sums['subjectDistanceMm'];
        $most = $sums->most['workingDistanceMm'];
        $source = $sums->sources['workingDistanceMm'];
        $sums->sums['workingDistanceMm'] = $sums->sums['subjectDistanceMm'] = [];
        $sums->most['workingDistanceMm'] = $sums->sources['workingDistanceMm'] = [];
        for ($row = $from; $row < $to; $row++) {
            $e = $places[$row];
            $w = ($dy0 + $dy1 * $e) / ($t0 + $t1 * $e);
            $share = $w * $w * 0.25;
            $sw[$row] += $share;
            if ($share > $most[$row]) {
                $most[$row] = $share * Uncertainty::CLEARLY;
                $source[$row] = $input;
            }
            $s = $ds0 + $ds1 * $e + $w;
            $ss[$row] += $s * $s * 0.25;
        }
        $sums->sums['workingDistanceMm'] = $sw;
        $sums->sums['subjectDistanceMm'] = $ss;
        $sums->most['workingDistanceMm'] = $most;
        $sums->sources['workingDistanceMm'] = $source;
    }

    /**
     * A real image that nothing known limits: distances and magnification alone.
     *
     * @param  list<float>  $places
     */
    private static function unlimited(HalfWidthSums $sums, UncertainInput $input, LinearTrain $up, LinearTrain $down, array $places, int $from, int $to): void
    {
        for ($row = $from; $row < $to; $row++) {
            $e = $places[$row];
            $t1 = $up->t0 + $up->t1 * $e;
            $t2 = $down->t0 + $down->t1 * $e;
            $w1 = -$up->medium * ($up->y0 + $up->y1 * $e) / $t1;
            $w2 = -$down->medium * ($down->y0 + $down->y1 * $e) / $t2;
            $sums->magnifications($row, $input, abs($t1) * $up->factor, abs($t2) * $down->factor);
            $sums->distances($row, $input, $w1, $w2, $up->s0 + $up->s1 * $e + $w1, $down->s0 + $down->s1 * $e + $w2, abs($t1) * $up->factor, abs($t2) * $down->factor);
        }
    }

    /**
     * Both images real, each stop the same throughout.
     *
     * @param  list<float>  $places
     */
    private static function real(HalfWidthSums $sums, UncertainInput $input, LinearTrain $up, LinearTrain $down, array $places, int $from, int $to, float $c, float $middle): void
    {
        [$uy0, $uy1, $ut0, $ut1, $us0, $us1, $un0, $un1, $uk0, $uk1, $uk2] = self::lines($up, $up->stopAt($middle), $middle);
        [$dy0, $dy1, $dt0, $dt1, $ds0, $ds1, $dn0, $dn1, $dk0, $dk1, $dk2] = self::lines($down, $down->stopAt($middle), $middle);
        $ds0 = $us0 - $ds0;
        $ds1 = $us1 - $ds1;
        $medium = $up->medium;
        $factor = $up->factor;
        $perFactor = 1.0 / $factor;
        $cm = $c / $factor;
        $mcm = $medium * $cm;
        $marked = $up->marked !== null && $down->marked !== null;
        $markedRatio = $marked ? $down->marked / $up->marked : 1.0;
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
        for ($row = $from; $row < $to; $row++) {
            $e = $places[$row];
            // Slopes and numbers are turned so that they are above 0 here.
            $ut = $ut0 + $ut1 * $e;
            $dt = $dt0 + $dt1 * $e;
            $un = $un0 + $un1 * $e;
            $dn = $dn0 + $dn1 * $e;
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
            $w = $medium * (($dy0 + $dy1 * $e) * $dm - ($uy0 + $uy1 * $e) * $um);
            $share = $w * $w * 0.25;
            $sw[$row] += $share;
            if ($share > $mostW[$row]) {
                $mostW[$row] = $share * Uncertainty::CLEARLY;
                $fromW[$row] = $input;
            }
            $change = $ds0 + $ds1 * $e + $w;
            $ss[$row] += $change * $change * 0.25;
            $change = $factor * ($un - $dn);
            $share = $change * $change * 0.25;
            $sn[$row] += $share;
            if ($share > $mostN[$row]) {
                $mostN[$row] = $share * Uncertainty::CLEARLY;
                $fromN[$row] = $input;
            }
            if ($marked) {
                $ratio = $un / $dn * $markedRatio - 1.0;
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
            $uk = $uk0 + ($uk1 + $uk2 * $e) * $e;
            $dk = $dk0 + ($dk1 + $dk2 * $e) * $e;
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
    }

    /**
     * A train's lines with the slope in front and the number of the stop turned to be above 0, and K with their signs.
     *
     * @return array{float, float, float, float, float, float, float, float, float, float, float}
     */
    private static function lines(LinearTrain $train, int $stop, float $middle): array
    {
        $h0 = $train->h0[$stop];
        $h1 = $train->h1[$stop];
        $f0 = $train->f0[$stop];
        $f1 = $train->f1[$stop];
        $slope = $train->t0 + $train->t1 * $middle < 0.0 ? -1.0 : 1.0;
        $height = ($h0 + $h1 * $middle < 0.0 ? -0.5 : 0.5) / $train->radius[$stop];
        $both = $slope * $height;

        return [
            $train->y0 * $slope, $train->y1 * $slope, $train->t0 * $slope, $train->t1 * $slope, $train->s0, $train->s1, $h0 * $height, $h1 * $height,
            ($train->g0 * $h0 - $train->t0 * $f0) * $both,
            ($train->g0 * $h1 + $train->g1 * $h0 - $train->t0 * $f1 - $train->t1 * $f0) * $both,
            ($train->g1 * $h1 - $train->t1 * $f1) * $both,
        ];
    }

    private static function number(LinearTrain $train, int $stop, float $place): float
    {
        return abs($train->h0[$stop] + $train->h1[$stop] * $place) / (2.0 * $train->radius[$stop]) * $train->factor;
    }
}
