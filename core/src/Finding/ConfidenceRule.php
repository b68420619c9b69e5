<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Rig\SettledLens;

/** `data-disagree`: whether what is known of a lens can all be right. How sure a reading is stands beside it, not among the findings. */
final class ConfidenceRule implements Rule
{
    /** `data-disagree`. */
    public function find(RuleContext $context): array
    {
        $spans = [];
        foreach ($context->rig->lenses as $i => $lens) {
            $finding = $lens->disagrees ? self::disagreeing($context->rig->chain[$i]->label(), $i, $lens) : self::oddShot($context->rig->chain[$i]->label(), $i, $lens);
            if ($finding !== null) {
                array_push($spans, ...$context->always($finding));
            }
        }

        return $spans;
    }

    private static function disagreeing(string $part, int $i, SettledLens $lens): Finding
    {
        return $lens->known->tooClose || $lens->disagreement === null
            ? new Finding(Code::DataDisagree, Severity::Warn, $i,
                'The figures of {part} can’t all be right: no lens of its focal length comes as close as {closest:mm} from the sensor. Measure that again, from the sensor mark.',
                ['part' => $part, 'closest' => $lens->known->closestMm ?? 0.0])
            : new Finding(Code::DataDisagree, Severity::Warn, $i,
                'The figures of {part} can’t all be right: focal length, closest focus and greatest magnification miss each other by {by:mm}. Measure the closest focus from the sensor mark, or the magnification with a ruler.',
                ['part' => $part, 'by' => abs($lens->disagreement)]);
    }

    /** The shot that is furthest from what the others and the catalogue say, when it is too far. */
    private static function oddShot(string $part, int $i, SettledLens $lens): ?Finding
    {
        $odd = null;
        foreach ($lens->residuals as $residual) {
            if ($residual->isAtOdds() && ($odd === null || $residual->deviations() > $odd->deviations())) {
                $odd = $residual;
            }
        }
        if ($odd === null) {
            return null;
        }
        $unit = $odd->reading === 'magnification' ? 'x' : 'mm';
        $reading = ['magnification' => 'magnification', 'workingDistanceMm' => 'working distance', 'subjectDistanceMm' => 'distance from the sensor'][$odd->reading] ?? $odd->reading;

        return $odd->settled === null
            ? new Finding(Code::DataDisagree, Severity::Warn, $i,
                'Shot {shot} of {part} doesn’t fit: nothing would have been sharp in it. Check its extension and which way round the lens stood, or take it back.',
                ['part' => $part, 'shot' => $odd->shot + 1])
            : new Finding(Code::DataDisagree, Severity::Warn, $i,
                'Shot {shot} of {part} doesn’t fit: its {reading} was {measured:'.$unit.'}, and all else that is known of the lens gives {settled:'.$unit.'}. Check its extension and which way round the lens stood, or take it back.',
                ['part' => $part, 'shot' => $odd->shot + 1, 'reading' => $reading, 'measured' => $odd->measured, 'settled' => $odd->settled]);
    }
}
