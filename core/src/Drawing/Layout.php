<?php

declare(strict_types=1);

namespace ZincThimble\Core\Drawing;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Design;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\Balance;
use ZincThimble\Core\Reading\BellowsMovements;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;

/** Where everything of a rig stands, to scale: mm from the sensor, diameters in mm. The screen only scales it. */
final class Layout
{
    /** @return array<string, mixed> */
    public static function of(Rig $rig, Axis $axis, Reading $reading): array
    {
        $path = LightPath::of($rig, $axis, $reading);
        $balance = Balance::balancePoint($rig, $axis);
        $parts = [];
        foreach ($rig->chain as $i => $part) {
            $parts[] = self::part($rig, $axis, $i, $part);
        }
        $camera = $rig->camera;
        $movement = BellowsMovements::of($rig, $axis, $reading->magnification);
        $pupil = $reading->entrancePupilMm;

        return [
            'camera' => [
                'frontMm' => $camera->registerMm,
                'backMm' => -Outline::cameraBackMm($camera),
                'heightMm' => $camera->heightMm ?? 82.0,
                'mountMm' => self::mountMm($rig),
                'gripMm' => $camera->gripOverhangMm ?? 0.0,
                'estimated' => $camera->heightMm === null,
            ],
            'sensorMm' => $rig->frame->heightMm,
            'parts' => $parts,
            'groups' => $path->groups,
            'cornerMm' => $path->cornerMm,
            'cornerAtSubjectMm' => $path->cornerAtSubjectMm,
            'tipMm' => $axis->front + $axis->converterMm,
            'tipDiameterMm' => $parts === [] ? self::mountMm($rig) : $parts[count($parts) - 1]['frontOuterMm'],
            'subjectMm' => $reading->subjectDistanceMm,
            'entrancePupilMm' => $pupil === null || $reading->subjectDistanceMm === null ? null : $reading->subjectDistanceMm - $pupil,
            'balanceMm' => $balance === null ? null : $balance[0],
            'movement' => $movement === null ? null : [
                'part' => $movement->part,
                'pivotMm' => $movement->pivotMm,
                'swingDeg' => $movement->swingDeg,
                'shiftMm' => $movement->shiftMm,
                'planeTiltDeg' => $movement->planeTiltDeg,
                'fieldMovesMm' => $movement->fieldMovesMm,
            ],
        ];
    }

    /** @return array{index: int, kind: Kind, label: string, reversed: bool, rearMm: float, frontMm: float, outerMm: float, frontOuterMm: float, rearOuterMm: float, estimated: bool, design: ?Design, elements: int, planeMm: ?float, stopMm: ?float, footMm: ?float, contacts: bool, minMm: ?float, maxMm: ?float} */
    private static function part(Rig $rig, Axis $axis, int $i, Part $part): array
    {
        // A converter is left out of the trace; in the drawing it stands where it stands.
        $own = $axis->converterMm > 0.0 && $i === 0;
        $rear = $axis->rearMm[$i] + ($own ? 0.0 : $axis->converterMm);
        $front = $axis->frontMm[$i] + $axis->converterMm;

        return [
            'index' => $i,
            'kind' => $part->kind,
            'label' => $part->label(),
            'reversed' => $part instanceof Lens && $part->reversed,
            'rearMm' => $rear,
            'frontMm' => $front,
            'outerMm' => Outline::widestMm($part),
            'frontOuterMm' => Outline::frontMm($part),
            'rearOuterMm' => Outline::rearMm($part),
            'estimated' => Outline::frontIsEstimated($part),
            'design' => $part instanceof Lens ? $part->design : null,
            'elements' => $part instanceof CloseUpLens ? $part->elements : 0,
            'planeMm' => self::planeMm($axis, $i, $part),
            'stopMm' => $part instanceof Lens && ($rig->markedAperture($i) ?? 0.0) > 0.0
                ? LensModel::of($rig->lenses[$i])->entrance($rig->setting->focus[$i] ?? 0.0) / (float) $rig->markedAperture($i)
                : null,
            'footMm' => $part->identity->footMm,
            'contacts' => $part->identity->passes->contacts,
            'minMm' => $part instanceof \ZincThimble\Core\Gear\VariableSpacer ? $part->minMm : null,
            'maxMm' => $part instanceof \ZincThimble\Core\Gear\VariableSpacer ? $part->maxMm : null,
        ];
    }

    private static function planeMm(Axis $axis, int $i, Part $part): ?float
    {
        if (! $part instanceof CloseUpLens && ! $part instanceof Objective) {
            return null;
        }
        $group = array_search($i, $axis->groupPart, true);

        return $group === false ? null : $axis->zi[$group] + $axis->converterMm;
    }

    private static function mountMm(Rig $rig): float
    {
        return isset($rig->chain[0]) ? min(70.0, Outline::rearMm($rig->chain[0])) : 58.0;
    }
}
