<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Rig;

/** What is said of a rig before it is measured, under the names that an entry has for it (rig format, "entry"). */
final class Prediction
{
    /** Magnification, working distance and slice, each with its half-width; what can't be had isn't there. */
    public static function of(Rig $rig): Values
    {
        try {
            $reading = Reading::onAxis($rig);
            $sure = Uncertainty::of($rig);
        } catch (\ArithmeticError) {
            return new Values([]);
        }
        $fields = [];
        foreach ([
            [LedgerFigure::Magnification, $reading->magnification, 'magnification'], [LedgerFigure::WorkingDistance, $reading->workingDistanceMm, 'workingDistanceMm'],
            [LedgerFigure::Slice, $reading->depthOfFieldMm, 'depthOfFieldMm'],
        ] as [$figure, $value, $name]) {
            if ($value !== null && $value > 0.0 && is_finite($value)) {
                $half = $sure->halfWidth($name);
                $fields += [$figure->value => $value] + ($half === null ? [] : [$figure->halfWidth() => $half]);
            }
        }

        return new Values($fields);
    }
}
