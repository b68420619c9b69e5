<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TravelKind;

/** `aperture-stuck`, `body-uncoupled`: whether the diaphragm can be worked, and the body goes along. */
final class ApertureRule implements Rule
{
    /** `aperture-stuck`, and what else but the working diaphragm limits the light. */
    public function find(RuleContext $context): array
    {
        $rig = $context->rig;
        $at = $rig->workingLens();
        if ($at === null) {
            return [];
        }
        $lens = $rig->chain[$at];
        if (! $lens instanceof Lens) {
            return [];
        }
        $worked = $rig->totals->coupling;
        $spans = match ($worked) {
            ApertureWorked::Stuck => $context->always(new Finding(Code::ApertureStuck, Severity::Stop, $at,
                $lens->aperture->restsOpen()
                    ? 'The aperture of {part} stays wide open at {stands:f}: nothing here works its lever.'
                    : 'The aperture of {part} stays closed at {stands:f}: nothing here works its lever.',
                ['part' => $lens->label(), 'stands' => $rig->markedAperture($at) ?? 0.0])),
            ApertureWorked::Latch => $context->always(new Finding(Code::ApertureStuck, Severity::Warn, $at,
                'The aperture of {part} is worked by hand, with a latch, lever or cable: compose wide open, then close it.', ['part' => $lens->label()])),
            ApertureWorked::Makeshift => $context->always(new Finding(Code::ApertureStuck, Severity::Warn, $at,
                'The lever of {part} is wedged or taped where its ring stands: it stays stopped down, and a knock may let it go.', ['part' => $lens->label()])),
            ApertureWorked::Detach => $context->always(new Finding(Code::ApertureStuck, Severity::Warn, $at,
                '{part} gets no signals here and stays as it was left. On the camera, stop it down, hold the preview and take it off; some bodies allow that.', ['part' => $lens->label()])),
            default => [],
        };
        $body = $rig->camera->uncoupled;
        if ($body !== null && ! $worked->isAutomatic() && ! $rig->camera->isBuiltIn()) {
            $lacking = array_diff(['meters', 'fires'], $body);
            if ($lacking !== []) {
                $factor = $this->factors($context, $at);
                array_push($spans, ...Span::where($factor, 0.0, INF, new Finding(Code::BodyUncoupled, Severity::Note, -1,
                    in_array('fires', $lacking, true)
                        ? 'This body doesn’t fire without a coupled lens unless its menu allows it. Set that, work in manual exposure, and start from the exposure it meters with the lens alone, {factor} times as long.'
                        : 'This body doesn’t meter without a coupled lens. Work in manual exposure and start from the exposure it meters with the lens alone, {factor} times as long.'), ['factor' => $factor]));
            }
        }

        return $spans;
    }

    /**
     * Time is multiplied by (Neff/N)^2.
     *
     * @return list<float>
     */
    private function factors(RuleContext $context, int $lens): array
    {
        $marked = $context->column($context->moves($lens, TravelKind::Aperture, TravelKind::Zoom), static fn (Rig $rig): ?float => $rig->markedAperture($lens));
        $factors = [];
        foreach ($context->columns->effectiveAperture as $row => $effective) {
            $stop = $marked[$row];
            $factors[] = $effective === null || $stop === null ? 1.0 : ($effective / $stop) ** 2;
        }

        return $factors;
    }
}
