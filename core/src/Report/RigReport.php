<?php

declare(strict_types=1);

namespace ZincThimble\Core\Report;

use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Beside;
use ZincThimble\Core\Reading\Estimates;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Rig;

/**
 * All that can be told of a rig: its readings as set, range, infinity, half-widths and findings (rig file, version 1,
 * "What a reading returns").
 */
final readonly class RigReport
{
    /**
     * @param  array<string, float>  $halfWidths
     * @param  list<Finding>  $findings  worst first
     */
    private function __construct(
        public Rig $rig,
        public Axis $axis,
        public Reading $reading,
        public Range $range,
        public Infinity $infinity,
        public array $halfWidths,
        public Uncertainty $sure,
        public array $findings,
    ) {
    }

    /** Everything there is to tell of a rig as it is set. */
    public static function of(Rig $rig): self
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);
        $range = Range::of($rig, axis: $axis);
        $infinity = Infinity::of($rig, $range);
        $sure = Uncertainty::of($rig);

        return new self(
            $rig,
            $axis,
            $reading,
            $range,
            $infinity,
            $sure->halfWidths(),
            $sure,
            Findings::of($rig, $reading, $range, $infinity),
        );
    }

    /** Where it is sharp as it is set. */
    public function focus(): FocusState
    {
        return FocusState::of($this->rig, $this->axis, $this->reading->workingDistanceMm, $this->infinity);
    }

    /** Whether a `stop` finding blocks it. */
    public function isStopped(): bool
    {
        return isset($this->findings[0]) && $this->findings[0]->severity->rank() === 0;
    }

    /**
     * Every figure by its name, the one place that spells them: for files, screens and whatever else tells a rig.
     *
     * @return array{magnification: ?float, fieldWidthMm: ?float, fieldHeightMm: ?float, workingDistanceMm: ?float, subjectDistanceMm: ?float, effectiveAperture: ?float, stopsLost: ?float, depthOfFieldMm: ?float, nearMm: ?float, farMm: ?float, waveDepthMm: ?float, airyDiameterMm: ?float, detailMm: ?float, entrancePupilMm: ?float, extensionMm: ?float, lightGapDeg: ?float, cornerBrightness: ?float, cornerPart: ?string, imageCircleMm: ?float, massG: ?float, momentAtMountNm: ?float, momentAtFootNm: ?float, price: ?float, joints: int, coupling: ApertureWorked, fullFrameMagnification: ?float, combinedFocalLengthMm: ?float, planeTiltDeg: ?float, fieldMovesMm: ?float}
     */
    public function figures(): array
    {
        $reading = $this->reading;
        $totals = $this->rig->totals;
        $cut = $reading->cornerPart;
        $beside = Beside::of($this->rig, $this->axis, $reading);

        return [
            'magnification' => $reading->magnification,
            'fieldWidthMm' => $reading->fieldWidthMm,
            'fieldHeightMm' => $reading->fieldHeightMm,
            'workingDistanceMm' => $reading->workingDistanceMm,
            'subjectDistanceMm' => $reading->subjectDistanceMm,
            'effectiveAperture' => $reading->effectiveAperture,
            'stopsLost' => $reading->stopsLost,
            'depthOfFieldMm' => $reading->depthOfFieldMm,
            'nearMm' => $reading->nearMm,
            'farMm' => $reading->farMm,
            'waveDepthMm' => $reading->waveDepthMm,
            'airyDiameterMm' => $reading->airyDiameterMm,
            'detailMm' => $reading->detailMm,
            'entrancePupilMm' => $reading->entrancePupilMm,
            'extensionMm' => $reading->extensionMm,
            'lightGapDeg' => $reading->lightGapDeg,
            'cornerBrightness' => $reading->cornerBrightness,
            'cornerPart' => $cut === null ? null : ($cut < 0 ? 'camera' : $this->rig->chain[$cut]->label()),
            'imageCircleMm' => $reading->imageCircleMm,
            'massG' => $totals->massG,
            'momentAtMountNm' => $reading->momentAtMountNm,
            'momentAtFootNm' => $reading->momentAtFootNm,
            'price' => $totals->price,
            'joints' => $totals->joints,
            'coupling' => $totals->coupling,
            'fullFrameMagnification' => Beside::onFullFrame($reading->magnification, $this->rig->frame),
            'combinedFocalLengthMm' => $beside['combinedFocalLengthMm'],
            'planeTiltDeg' => $beside['planeTiltDeg'],
            'fieldMovesMm' => $beside['fieldMovesMm'],
        ];
    }

    /** @return array<string, mixed> as the file format names and orders it */
    public function toArray(): array
    {
        $figures = $this->figures();
        $aside = array_flip(['lightGapDeg', 'cornerBrightness', 'cornerPart', 'imageCircleMm', 'massG', 'momentAtMountNm', 'momentAtFootNm', 'price', 'joints', 'coupling', 'fullFrameMagnification', 'combinedFocalLengthMm', 'planeTiltDeg', 'fieldMovesMm']);

        return array_diff_key($figures, $aside) + [
            'range' => [
                'magnification' => $this->range->magnification,
                'workingDistanceMm' => $this->range->workingDistanceMm,
                'subjectDistanceMm' => $this->range->subjectDistanceMm,
            ],
            'focus' => $this->focus()->value,
            'infinity' => [
                'reached' => $this->infinity->reached,
                'overshotMm' => $this->infinity->overshotMm,
                'spacerToKeepMm' => $this->infinity->spacerToKeepMm,
                'furthestSubjectMm' => $this->infinity->furthestSubjectMm,
            ],
            'lightGapDeg' => $figures['lightGapDeg'],
            'corner' => ['brightness' => $figures['cornerBrightness'], 'part' => $this->reading->cornerPart],
            'imageCircleMm' => $figures['imageCircleMm'],
            'massG' => $figures['massG'],
            'momentAtMountNm' => $figures['momentAtMountNm'],
            'momentAtFootNm' => $figures['momentAtFootNm'],
            'price' => $figures['price'],
            'joints' => $figures['joints'],
            'coupling' => $figures['coupling']->value,
            'fullFrameMagnification' => $figures['fullFrameMagnification'],
            'combinedFocalLengthMm' => $figures['combinedFocalLengthMm'],
            'planeTiltDeg' => $figures['planeTiltDeg'],
            'fieldMovesMm' => $figures['fieldMovesMm'],
            'settled' => $this->settled(),
            'estimates' => Estimates::of($this->rig, $this->reading->magnification),
            'uncertainty' => $this->halfWidths === [] ? new \stdClass : $this->halfWidths,
            'findings' => array_map(static fn (Finding $finding): array => [
                'code' => $finding->code->value,
                'severity' => $finding->severity->value,
                'part' => $finding->part,
                'message' => $finding->message(),
            ], $this->findings),
        ];
    }

    /**
     * The figures of the working lens as its shots and the catalogue leave them, and their half-widths in that order.
     *
     * @return ?array{part: int, focalLengthMm: float, principalGapMm: float, registerMm: float, frontRimMm: float, maxMagnification: float, halfWidths: list<float>} null = the rig has no lens
     */
    private function settled(): ?array
    {
        $at = $this->rig->workingLens();
        $lens = $at === null ? null : $this->rig->lenses[$at];

        return $at === null || $lens === null ? null : [
            'part' => $at,
            'focalLengthMm' => $lens->f0,
            'principalGapMm' => $lens->g0,
            'registerMm' => $lens->register,
            'frontRimMm' => $lens->rim,
            'maxMagnification' => $lens->m0,
            'halfWidths' => array_map($lens->halfWidth(...), array_slice($lens->figures, 0, 5)),
        ];
    }
}
