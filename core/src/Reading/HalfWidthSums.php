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
    /** The readings whose greatest contributor is asked for. */
    private const TOLD = ['magnification', 'workingDistanceMm', 'effectiveAperture'];

    /** @var array<string, array<int, ?float>> sums of squares; null where no pair of readings was there */
    private array $sums = [];

    /** @var array<string, array<int, float>> */
    private array $most = [];

    /** @var array<string, array<int, ?UncertainInput>> */
    private array $sources = [];

    public function __construct(private readonly int $rows)
    {
        foreach (Uncertainty::READINGS as $name) {
            $this->sums[$name] = array_fill(0, $rows, null);
        }
        foreach (self::TOLD as $name) {
            $this->most[$name] = array_fill(0, $rows, 0.0);
            $this->sources[$name] = array_fill(0, $rows, null);
        }
    }

    public function addReadings(int $row, UncertainInput $input, Reading $up, Reading $down): void
    {
        foreach (Uncertainty::READINGS as $name) {
            $a = $up->{$name};
            $b = $down->{$name};
            if (is_float($a) && is_float($b)) {
                $share = ($a - $b) * ($a - $b) / 4.0;
                $this->sums[$name][$row] = ($this->sums[$name][$row] ?? 0.0) + $share;
                if (isset($this->most[$name]) && $share > $this->most[$name][$row]) {
                    $this->most[$name][$row] = $share;
                    $this->sources[$name][$row] = $input;
                }
            }
        }
    }

    public function addTrains(UncertainInput $input, TrainReadings $up, TrainReadings $down): void
    {
        $this->addColumn('magnification', $input, $up->magnification, $down->magnification);
        $this->addColumn('workingDistanceMm', $input, $up->workingDistanceMm, $down->workingDistanceMm);
        $this->addColumn('effectiveAperture', $input, $up->effectiveAperture, $down->effectiveAperture);
        $this->addPlain('subjectDistanceMm', $up->subjectDistanceMm, $down->subjectDistanceMm);
        $this->addPlain('stopsLost', $up->stopsLost, $down->stopsLost);
        $this->addPlain('nearMm', $up->nearMm, $down->nearMm);
        $this->addPlain('farMm', $up->farMm, $down->farMm);
        $this->addPlain('entrancePupilMm', $up->entrancePupilMm, $down->entrancePupilMm);
        $this->addDerived($up, $down);
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
            'fieldHeightMm' => $rig->frame->heightMm,
            'airyDiameterMm' => 2.44 * $lambda,
            'detailMm' => 1.22 * $lambda,
            'waveDepthMm' => 4.0 * $lambda * Axis::of($rig)->medium,
        ];
        $halfWidths = [];
        foreach ($this->sums as $name => $column) {
            $factor = isset($this->scaled[$name]) ? $factors[$name] ?? 1.0 : 1.0;
            $roots = [];
            foreach ($column as $sum) {
                $roots[] = $sum === null ? null : sqrt($sum) * $factor;
            }
            $halfWidths[$name] = $roots;
        }

        return $halfWidths;
    }

    /** @return array<string, array<int, ?UncertainInput>> */
    public function sources(): array
    {
        return $this->sources;
    }

    /**
     * Readings that were summed without their constant factor.
     *
     * @var array<string, true>
     */
    private array $scaled = [];

    /**
     * Field, spot, detail, wave depth and depth of field follow from magnification, aperture and the two limits.
     */
    private function addDerived(TrainReadings $up, TrainReadings $down): void
    {
        $field = $this->sums['fieldWidthMm'];
        $airy = $this->sums['airyDiameterMm'];
        $detail = $this->sums['detailMm'];
        $wave = $this->sums['waveDepthMm'];
        $depth = $this->sums['depthOfFieldMm'];
        for ($row = 0; $row < $this->rows; $row++) {
            $m1 = $up->magnification[$row];
            $m2 = $down->magnification[$row];
            $n1 = $up->effectiveAperture[$row];
            $n2 = $down->effectiveAperture[$row];
            if ($n1 !== null && $n2 !== null) {
                $airy[$row] = ($airy[$row] ?? 0.0) + ($n1 - $n2) * ($n1 - $n2) / 4.0;
            }
            if ($m1 === null || $m2 === null || $m1 <= 0.0 || $m2 <= 0.0) {
                continue;
            }
            $change = 1.0 / $m1 - 1.0 / $m2;
            $field[$row] = ($field[$row] ?? 0.0) + $change * $change / 4.0;
            if ($n1 !== null && $n2 !== null) {
                $r1 = $n1 / $m1;
                $r2 = $n2 / $m2;
                $change = $r1 - $r2;
                $detail[$row] = ($detail[$row] ?? 0.0) + $change * $change / 4.0;
                $change = $r1 * $r1 - $r2 * $r2;
                $wave[$row] = ($wave[$row] ?? 0.0) + $change * $change / 4.0;
                $near1 = $up->nearMm[$row];
                $near2 = $down->nearMm[$row];
                $far1 = $up->farMm[$row];
                $far2 = $down->farMm[$row];
                if ($near1 !== null && $near2 !== null && $far1 !== null && $far2 !== null) {
                    $change = $near1 + $far1 - $near2 - $far2;
                    $depth[$row] = ($depth[$row] ?? 0.0) + $change * $change / 4.0;
                }
            }
        }
        $this->sums['fieldWidthMm'] = $this->sums['fieldHeightMm'] = $field;
        $this->sums['airyDiameterMm'] = $airy;
        $this->sums['detailMm'] = $detail;
        $this->sums['waveDepthMm'] = $wave;
        $this->sums['depthOfFieldMm'] = $depth;
        $this->scaled = ['fieldWidthMm' => true, 'fieldHeightMm' => true, 'airyDiameterMm' => true, 'detailMm' => true, 'waveDepthMm' => true];
    }

    /**
     * @param  array<int, ?float>  $up
     * @param  array<int, ?float>  $down
     */
    private function addPlain(string $name, array $up, array $down): void
    {
        $sums = $this->sums[$name];
        foreach ($up as $row => $a) {
            $b = $down[$row];
            if ($a !== null && $b !== null) {
                $change = $a - $b;
                $sums[$row] = ($sums[$row] ?? 0.0) + $change * $change / 4.0;
            }
        }
        $this->sums[$name] = $sums;
    }

    /**
     * @param  array<int, ?float>  $up
     * @param  array<int, ?float>  $down
     */
    private function addColumn(string $name, UncertainInput $input, array $up, array $down): void
    {
        $sums = $this->sums[$name];
        $most = $this->most[$name];
        $sources = $this->sources[$name];
        foreach ($up as $row => $a) {
            $b = $down[$row];
            if ($a !== null && $b !== null) {
                $change = $a - $b;
                $share = $change * $change / 4.0;
                $sums[$row] = ($sums[$row] ?? 0.0) + $share;
                if ($share > $most[$row]) {
                    $most[$row] = $share;
                    $sources[$row] = $input;
                }
            }
        }
        $this->sums[$name] = $sums;
        $this->most[$name] = $most;
        $this->sources[$name] = $sources;
    }
}
