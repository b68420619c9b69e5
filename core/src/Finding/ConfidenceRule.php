<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Reading\Measurement;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\SettledLens;

/** `data-disagree`, `estimated`: how far the readings can be trusted. */
final class ConfidenceRule implements Rule
{
    /** The readings that a word is said of, the first that deserves it: what it is called, and its unit. */
    private const TOLD = [
        'workingDistanceMm' => ['Working distance', ':mm'],
        'magnification' => ['Magnification', ':x'],
        'effectiveAperture' => ['Effective aperture', ''],
    ];

    /** `data-disagree`, `estimated`. */
    public function find(RuleContext $context): array
    {
        $spans = [];
        foreach ($context->rig->lenses as $i => $lens) {
            $finding = $lens->disagrees ? self::disagreeing($context->rig->chain[$i]->label(), $i, $lens) : self::oddShot($context->rig->chain[$i]->label(), $i, $lens);
            if ($finding !== null) {
                array_push($spans, ...$context->always($finding));
            }
        }

        return [...$spans, ...$this->estimated($context), ...$this->objective($context)];
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

    /** @return list<Span> */
    private function estimated(RuleContext $context): array
    {
        $told = array_fill(0, $context->columns->rows, false);
        $left = $context->columns->rows;
        $spans = [];
        foreach (self::TOLD as $name => [$word, $unit]) {
            if ($left === 0) {
                break;
            }
            $halfWidths = $context->halfWidths[$name] ?? [];
            $unsure = self::unsure($halfWidths, self::column($context, $name), $told);
            // Whom to name is worked out when there is something to say.
            $sources = $context->sources === null || ! in_array(true, $unsure, true) ? [] : ($context->sources)($name);
            $runs = [];
            foreach ($sources as [$first, $last, $source]) {
                if ($source->measured) {
                    continue;
                }
                $from = -1;
                for ($row = $first; $row <= $last; $row++) {
                    if ($unsure[$row]) {
                        if ($from < 0) {
                            $from = $row;
                        }
                    } elseif ($from >= 0) {
                        $runs[] = [$source, $from, $row - 1];
                        $from = -1;
                    }
                }
                if ($from >= 0) {
                    $runs[] = [$source, $from, $last];
                }
            }
            foreach ($runs as [$source, $from, $to]) {
                $left -= $to - $from + 1;
                for ($row = $from; $left > 0 && $row <= $to; $row++) {
                    $told[$row] = true;
                }
                $spans[] = new Span(new Finding(Code::Estimated, Severity::Note, $source->part,
                    '{word} is good to ±{half'.$unit.'}: it rests on {assumed} of {part}.'.self::taken($context->rig, $source->part),
                    [
                        'word' => $word,
                        'assumed' => Measurement::assumed($context->rig, $source),
                        'part' => $context->rig->chain[$source->part]->label(),
                    ]), $from, $to, ['half' => array_values($halfWidths)]);
            }
        }

        return $spans;
    }

    /**
     * Rows whose half-width is worth a word that hasn't been said of another reading.
     *
     * @param  array<int, ?float>  $halfWidths
     * @param  list<?float>  $values
     * @param  array<int, bool>  $told
     * @return array<int, bool>
     */
    private static function unsure(array $halfWidths, array $values, array $told): array
    {
        $unsure = $told;
        foreach ($values as $row => $value) {
            $half = $halfWidths[$row] ?? null;
            $unsure[$row] = $half !== null && $value !== null && $half >= Limits::UNSURE * ($value < 0.0 ? -$value : $value) && ! $told[$row];
        }

        return $unsure;
    }

    /**
     * @return list<?float>
     */
    private static function column(RuleContext $context, string $name): array
    {
        return match ($name) {
            'workingDistanceMm' => $context->columns->workingDistanceMm,
            'magnification' => $context->columns->magnification,
            default => $context->columns->effectiveAperture,
        };
    }

    /** Which kind of focusing was taken, where that had to be decided. */
    private static function taken(Rig $rig, int $part): string
    {
        $lens = $rig->lenses[$part] ?? null;

        return $lens !== null && $lens->decided && $rig->chain[$part] instanceof Lens
            ? ' Its focusing was taken to be '.($lens->focusing->value === 'unit' ? 'by moving the whole lens.' : 'internal.')
            : '';
    }

    /**
     * Away from its nominal conjugate, the NA of an objective is an estimate (OPTICS.md, "The rig").
     *
     * @return list<Span>
     */
    private function objective(RuleContext $context): array
    {
        foreach ($context->rig->chain as $i => $part) {
            if (! $part instanceof Objective) {
                continue;
            }
            $tube = $part->infinite ? self::tubeLens($context->rig, $i) : null;
            $nominal = $part->infinite ? $part->nominal * ($tube ?? $part->referenceMm) / $part->referenceMm : $part->nominal;
            $column = array_map(
                static fn (?float $m): ?float => $m === null || $m <= 0.0 ? null : abs($m / $nominal - 1.0),
                $context->columns->magnification,
            );

            return Span::where($column, Limits::UNSURE, INF, new Finding(Code::Estimated, Severity::Note, $i,
                '{part} stands away from the distance it was made for: its NA of {na} is an estimate here.', ['part' => $part->label(), 'na' => $part->na]));
        }

        return [];
    }

    private static function tubeLens(Rig $rig, int $objective): ?float
    {
        foreach ($rig->lenses as $i => $lens) {
            if ($i < $objective) {
                return $lens->f0;
            }
        }

        return null;
    }
}
