<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Reading\StopNumbers;

/**
 * `diffraction`, `slice-thin`, `sway`: how much of the subject can be sharp. Diffraction and slice pull the aperture two ways, so they are
 * one sentence, with the stop that is best for one shot and the frames of a stack.
 */
final class SharpnessRule implements Rule
{
    /** `diffraction`, `slice-thin`, `sway`. */
    public function find(RuleContext $context): array
    {
        $slice = Stack::depths($context->columns, $context->rig->conditions->totalDepth);

        return [...$this->sharp($context, $slice), ...$this->sway($context, $slice)];
    }

    /**
     * @param  list<?float>  $slice
     * @return list<Span>
     */
    private function sharp(RuleContext $context, array $slice): array
    {
        $limit = $context->rig->blurLimitMm;
        $spot = $context->columns->airyDiameterMm;
        $needed = $this->needed($context);
        $at = $context->rig->workingLens();
        $isSettable = $at !== null && count($context->rig->stopsAt($at)) > 1;
        $single = $stacking = $frames = $open = array_fill(0, $context->columns->rows, null);
        /** @var array<string, array<int, float>> $said rows by what is said of them */
        $said = [];
        foreach ($spot as $row => $airy) {
            $depth = $slice[$row];
            $z = $needed[$row];
            $share = $depth === null || $depth <= 0.0 || $z === null || $z <= 0.0 ? 0.0 : $z / $depth;
            $isSpread = $airy !== null && $airy > Limits::SPOT_OVER_BLUR * $limit;
            if ($share <= Limits::SLICES && ! $isSpread) {
                continue;
            }
            if ($z !== null && $z > 0.0) {
                $best = $isSettable ? BestAperture::of($context->rigAt($row), $z) : null;
                $single[$row] = $best?->single;
                $stacking[$row] = $best?->stacking;
                $frames[$row] = (float) ($best?->stack->frames ?? ($share > 0.0 ? Stack::frames($z, (float) $depth, Stack::OVERLAP) : 1));
                $how = match (true) {
                    $best === null => $share > Limits::SLICES ? 'frames' : 'magnify',
                    $share > Limits::SLICES => 'both',
                    default => 'single',
                }.($best?->tried === null ? '' : ' tried');
            } else {
                $open[$row] = $isSettable ? $this->wider($context, $row, $at, $limit) : null;
                $how = $open[$row] === null ? 'magnify' : 'open';
            }
            $kind = $isSpread ? 'spread' : ($share > Limits::MANY_SLICES ? 'many' : 'thin');
            $said[$kind.' '.$how][$row] = 1.0;
        }
        $columns = ['spot' => $spot, 'slice' => $slice, 'depth' => $needed, 'single' => array_values($single), 'stacking' => array_values($stacking), 'frames' => array_values($frames), 'open' => array_values($open)];
        $numbers = ['limit' => $limit, 'model' => $context->rig->conditions->totalDepth ? 'geometric and diffraction depth together' : 'geometric depth'];
        $spans = [];
        foreach ($said as $key => $rows) {
            [$kind, $how] = explode(' ', $key);
            $pattern = self::pattern($kind, $how, str_ends_with($key, ' tried'));
            $finding = new Finding($kind === 'spread' ? Code::Diffraction : Code::SliceThin, $kind === 'thin' ? Severity::Note : Severity::Warn, null, $pattern, Phrase::said($pattern, $numbers));
            array_push($spans, ...Span::where(Span::filled($rows, $context->columns->rows), 0.0, INF, $finding, Phrase::said($pattern, $columns)));
        }

        return $spans;
    }

    private static function pattern(string $kind, string $how, bool $isTried): string
    {
        $what = $kind === 'spread'
            ? 'Diffraction draws every point {spot:mm} wide, more than twice the blur limit of {limit:mm}'
            : 'The slice is {slice:mm} ({model}), the subject {depth:mm} deep';

        // What it rests on is said where a trial of the lens tells it.
        $by = $isTried ? ', by the trial of its lens' : '';

        return $what.match ($how) {
            'both' => ': one shot is best at {single:f}, all of it sharp takes {frames:n} frames at {stacking:f}'.$by.'.',
            'single' => ': one shot is best at {single:f}'.$by.'.',
            'frames' => ': all of it sharp takes {frames:n} frames.',
            'open' => '. Open to {open:f}.',
            default => ', and no stop mends it: a smaller magnification, cropped, shows as much.',
        };
    }

    /** The narrowest stop at which diffraction is within bounds, else the widest that is wider than now; null = there is none. */
    private function wider(RuleContext $context, int $row, int $at, float $limit): ?float
    {
        $rig = $context->rigAt($row);
        $stops = $rig->stopsAt($at);
        $numbers = $stops === [] ? null : StopNumbers::of($rig, $at, $stops);
        if ($numbers === null) {
            return null;
        }
        $most = Limits::SPOT_OVER_BLUR * $limit / (2.44 * $rig->conditions->wavelengthNm * 1e-6);
        $now = $context->columns->effectiveAperture[$row] ?? 0.0;
        $wider = null;
        foreach ($numbers->effective as $n => $effective) {
            if ($effective < $now * 0.99 && ($wider === null || $effective <= $most)) {
                $wider = $stops[$n];
            }
        }

        return $wider;
    }

    /** @return list<?float> depth to be covered, mm, row by row; null = nothing is known of it */
    private function needed(RuleContext $context): array
    {
        $subject = $context->rig->subject;
        if ($subject === null) {
            return array_fill(0, $context->columns->rows, null);
        }
        $needed = [];
        foreach ($context->columns->magnification as $m) {
            $needed[] = $subject->depthOver($m === null || $m <= 0.0 ? null : $context->rig->frame->widthMm / $m);
        }

        return $needed;
    }

    /**
     * @param  list<?float>  $slice
     * @return list<Span>
     */
    private function sway(RuleContext $context, array $slice): array
    {
        $sway = Limits::SWAY_MM[$context->rig->conditions->support ?? ''] ?? null;
        if ($sway === null) {
            return [];
        }
        $share = array_map(static fn (?float $depth): ?float => $depth === null || $depth <= 0.0 ? null : $sway / ($depth / 2.0), $slice);

        return Span::where($share, Limits::SWAY_SHARE, INF, new Finding(Code::Sway, Severity::Warn, null,
            $context->rig->conditions->support === 'braced'
                ? 'Even braced you sway about {sway:mm} to and fro, more than half the slice of {slice:mm}. Put it on the table, use flash, or shoot a burst.'
                : 'In the hand you sway about {sway:mm} to and fro, more than half the slice of {slice:mm}. Lean on something, use flash, or shoot a burst.', ['sway' => $sway]), ['slice' => $slice]);
    }
}
