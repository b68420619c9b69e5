<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Trace\Axis;

/**
 * Adds up what readings owe to each uncertain input, at many places: `(r(+) - r(-))^2 / 4` (OPTICS.md, "Uncertainty").
 */
final class HalfWidthSums
{
    /** The columns that flat loops add to; field height and spot follow from two of them. */
    private const FLAT = [
        'magnification' => 0, 'fieldWidthMm' => 0, 'workingDistanceMm' => 0, 'subjectDistanceMm' => 0, 'effectiveAperture' => 0, 'stopsLost' => 0, 'nearMm' => 0,
        'farMm' => 0, 'depthOfFieldMm' => 0, 'waveDepthMm' => 0, 'detailMm' => 0, 'entrancePupilMm' => 0,
    ];

    /** 1 / ln(2)^2: a share of stops, `(2 log2(x))^2 / 4`, from `ln(x)^2`. */
    public const STOPS = 2.081368981005608;

    /** What follows from another column, where flat loops add. */
    private const FOLLOWING = ['fieldHeightMm' => 0, 'airyDiameterMm' => 0];

    /** The readings whose greatest contributor is asked for. */
    private const TOLD = ['magnification', 'workingDistanceMm', 'effectiveAperture'];

    /**
     * Sums of squares, by reading and row. Public to what adds to them in flat loops.
     *
     * @var array<string, array<int, float>>
     */
    public array $sums = [];

    /**
     * What a share has to beat to become the greatest.
     *
     * @var array<string, array<int, float>>
     */
    public array $most = [];

    /** @var array<string, array<int, ?UncertainInput>> */
    public array $sources = [];

    /** Whether readings were summed without their constant factor. */
    private bool $scaled = false;

    public function __construct(int $rows)
    {
        foreach (Uncertainty::READINGS as $name) {
            $this->sums[$name] = array_fill(0, $rows, 0.0);
        }
        foreach (self::TOLD as $name) {
            $this->most[$name] = array_fill(0, $rows, 0.0);
            $this->sources[$name] = array_fill(0, $rows, null);
        }
    }

    /** One input's share at one row, from the readings with it moved up and down by its half-width. */
    public function addReadings(int $row, UncertainInput $input, Reading $up, Reading $down): void
    {
        foreach (Uncertainty::READINGS as $name) {
            $a = $up->{$name};
            $b = $down->{$name};
            if (is_float($a) && is_float($b)) {
                $share = ($a - $b) * ($a - $b) / 4.0;
                $this->sums[$name][$row] += $share;
                if (isset($this->most[$name]) && $share > $this->most[$name][$row]) {
                    $this->most[$name][$row] = $share * Uncertainty::CLEARLY;
                    $this->sources[$name][$row] = $input;
                }
            }
        }
    }

    /** One input's share at every place, all readings in one loop: an array at a time costs several times as much. */
    public function addTrains(UncertainInput $input, TrainReadings $up, TrainReadings $down): void
    {
        $m1 = $up->magnification;
        $m2 = $down->magnification;
        $w1 = $up->workingDistanceMm;
        $w2 = $down->workingDistanceMm;
        $s1 = $up->subjectDistanceMm;
        $s2 = $down->subjectDistanceMm;
        $n1 = $up->effectiveAperture;
        $n2 = $down->effectiveAperture;
        $l1 = $up->stopsLost;
        $l2 = $down->stopsLost;
        $near1 = $up->nearMm;
        $near2 = $down->nearMm;
        $far1 = $up->farMm;
        $far2 = $down->farMm;
        $p1 = $up->entrancePupilMm;
        $p2 = $down->entrancePupilMm;
        $sum = $this->sums;
        $sm = $sum['magnification'];
        $sw = $sum['workingDistanceMm'];
        $ss = $sum['subjectDistanceMm'];
        $sn = $sum['effectiveAperture'];
        $sl = $sum['stopsLost'];
        $snear = $sum['nearMm'];
        $sfar = $sum['farMm'];
        $sp = $sum['entrancePupilMm'];
        $sf = $sum['fieldWidthMm'];
        $sd = $sum['detailMm'];
        $sv = $sum['waveDepthMm'];
        $sz = $sum['depthOfFieldMm'];
        $most = $this->most;
        $mostM = $most['magnification'];
        $mostW = $most['workingDistanceMm'];
        $mostN = $most['effectiveAperture'];
        $sources = $this->sources;
        $fromM = $sources['magnification'];
        $fromW = $sources['workingDistanceMm'];
        $fromN = $sources['effectiveAperture'];
        // Arrays that two names hold are copied at the first write: all but the columns' own names let go.
        $sum = $most = $sources = [];
        $this->release();
        foreach ($n1 as $row => $a) {
            $b = $n2[$row];
            $apertures = $a !== null && $b !== null;
            if ($apertures) {
                $change = $a - $b;
                $share = $change * $change * 0.25;
                $sn[$row] += $share;
                if ($share > $mostN[$row]) {
                    $mostN[$row] = $share * Uncertainty::CLEARLY;
                    $fromN[$row] = $input;
                }
                $la = $l1[$row];
                $lb = $l2[$row];
                if ($la !== null && $lb !== null) {
                    $change = $la - $lb;
                    $sl[$row] += $change * $change * 0.25;
                }
            }
            $ma = $m1[$row];
            $mb = $m2[$row];
            if ($ma === null || $mb === null) {
                continue;
            }
            $change = $ma - $mb;
            $share = $change * $change * 0.25;
            $sm[$row] += $share;
            if ($share > $mostM[$row]) {
                $mostM[$row] = $share * Uncertainty::CLEARLY;
                $fromM[$row] = $input;
            }
            $wa = $w1[$row];
            $wb = $w2[$row];
            if ($wa === null || $wb === null) {
                continue;
            }
            $change = $wa - $wb;
            $share = $change * $change * 0.25;
            $sw[$row] += $share;
            if ($share > $mostW[$row]) {
                $mostW[$row] = $share * Uncertainty::CLEARLY;
                $fromW[$row] = $input;
            }
            $change = $s1[$row] - $s2[$row];
            $ss[$row] += $change * $change * 0.25;
            $change = 1.0 / $ma - 1.0 / $mb;
            $sf[$row] += $change * $change * 0.25;
            if (! $apertures) {
                continue;
            }
            $ra = $a / $ma;
            $rb = $b / $mb;
            $change = $ra - $rb;
            $sd[$row] += $change * $change * 0.25;
            $change = $ra * $ra - $rb * $rb;
            $sv[$row] += $change * $change * 0.25;
            $pa = $p1[$row];
            $pb = $p2[$row];
            if ($pa !== null && $pb !== null) {
                $change = $pa - $pb;
                $sp[$row] += $change * $change * 0.25;
            }
            $na = $near1[$row];
            $nb = $near2[$row];
            $fa = $far1[$row];
            $fb = $far2[$row];
            $limits = 0.0;
            $both = 0;
            if ($na !== null && $nb !== null) {
                $change = $na - $nb;
                $snear[$row] += $change * $change * 0.25;
                $limits = $change;
                $both++;
            }
            if ($fa !== null && $fb !== null) {
                $change = $fa - $fb;
                $sfar[$row] += $change * $change * 0.25;
                $limits += $change;
                $both++;
            }
            if ($both === 2) {
                $sz[$row] += $limits * $limits * 0.25;
            }
        }
        $this->take(
            ['magnification' => $sm, 'fieldWidthMm' => $sf, 'workingDistanceMm' => $sw, 'subjectDistanceMm' => $ss, 'effectiveAperture' => $sn, 'stopsLost' => $sl,
                'nearMm' => $snear, 'farMm' => $sfar, 'depthOfFieldMm' => $sz, 'waveDepthMm' => $sv, 'detailMm' => $sd, 'entrancePupilMm' => $sp],
            ['magnification' => $mostM, 'workingDistanceMm' => $mostW, 'effectiveAperture' => $mostN],
            ['magnification' => $fromM, 'workingDistanceMm' => $fromW, 'effectiveAperture' => $fromN],
        );
    }

    /** Lets go of all columns, so that whoever holds them now may write to them without a copy. */
    public function release(): void
    {
        $this->sums = array_diff_key($this->sums, self::FLAT);
        $this->most = [];
        $this->sources = [];
        $this->scaled = true;
    }

    /**
     * Takes the columns back that release() let go of.
     *
     * @param  array<string, array<int, float>>  $sums
     * @param  array<string, array<int, float>>  $most
     * @param  array<string, array<int, ?UncertainInput>>  $sources
     */
    public function take(array $sums, array $most, array $sources): void
    {
        $this->sums = $sums + $this->sums;
        $this->most = $most;
        $this->sources = $sources;
    }

    /** One input's share of effective aperture and stops lost at one row; the marked numbers null = not known. */
    public function apertures(int $row, UncertainInput $input, float $one, float $other, ?float $marked1, ?float $marked2): void
    {
        $this->told('effectiveAperture', $row, $input, ($one - $other) ** 2 / 4.0);
        if ($marked1 !== null && $marked2 !== null) {
            $this->sums['stopsLost'][$row] += log($one / $marked1 * $marked2 / $other, 2.0) ** 2;
        }
        $this->scaled = true;
    }

    /** One input's share of the magnification at one row. */
    public function magnifications(int $row, UncertainInput $input, float $one, float $other): void
    {
        $this->told('magnification', $row, $input, ($one - $other) ** 2 / 4.0);
        $this->scaled = true;
    }

    /** One input's share of working and subject distance (mm) and of the field at one row; magnifications above 0. */
    public function distances(int $row, UncertainInput $input, float $working1, float $working2, float $subject1, float $subject2, float $m1, float $m2): void
    {
        $this->told('workingDistanceMm', $row, $input, ($working1 - $working2) ** 2 / 4.0);
        $this->sums['subjectDistanceMm'][$row] += ($subject1 - $subject2) ** 2 / 4.0;
        $this->sums['fieldWidthMm'][$row] += (1.0 / $m1 - 1.0 / $m2) ** 2 / 4.0;
        $this->scaled = true;
    }

    private function told(string $name, int $row, UncertainInput $input, float $share): void
    {
        $this->sums[$name][$row] += $share;
        if ($share > $this->most[$name][$row]) {
            $this->most[$name][$row] = $share * Uncertainty::CLEARLY;
            $this->sources[$name][$row] = $input;
        }
    }

    /**
     * @return array<string, array<int, ?float>>
     */
    public function halfWidths(Rig $rig): array
    {
        $lambda = $rig->conditions->wavelengthNm * 1e-6;
        // What is a plain multiple of another quantity was summed without its factor.
        $factors = [
            'fieldWidthMm' => $rig->frame->widthMm,
            'detailMm' => 1.22 * $lambda,
            'waveDepthMm' => 4.0 * $lambda * Axis::of($rig)->medium,
        ];
        $halfWidths = [];
        foreach ($this->scaled ? array_diff_key($this->sums, self::FOLLOWING) : $this->sums as $name => $column) {
            $factor = $this->scaled ? $factors[$name] ?? 1.0 : 1.0;
            $roots = [];
            foreach ($column as $sum) {
                $roots[] = $sum > 0.0 ? \sqrt($sum) * $factor : null;
            }
            $halfWidths[$name] = $roots;
        }
        if ($this->scaled) {
            // Plain multiples of another column were not summed by themselves.
            $halfWidths['fieldHeightMm'] = self::times($halfWidths['fieldWidthMm'], $rig->frame->heightMm / $rig->frame->widthMm);
            $halfWidths['airyDiameterMm'] = self::times($halfWidths['effectiveAperture'], 2.44 * $lambda);
        }

        return $halfWidths;
    }

    /**
     * @param  array<int, ?float>  $column
     * @return array<int, ?float>
     */
    private static function times(array $column, float $factor): array
    {
        $times = [];
        foreach ($column as $value) {
            $times[] = $value === null ? null : $value * $factor;
        }

        return $times;
    }
}
