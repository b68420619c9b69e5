<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Optics\Image;

/** `focus-inside`, `no-image`: whether there is a plane that a subject can be put in. */
final class ImageRule implements Rule
{
    /** `focus-inside`, `no-image`. */
    public function find(RuleContext $context): array
    {
        foreach ($context->rig->chain as $i => $part) {
            if ($part instanceof Teleconverter && $i > 0) {
                return $context->always(new Finding(Code::NoImage, Severity::Stop, $i,
                    '{part} is worked out only directly at the camera. Put it there, or take it off.', ['part' => $part->label()]));
            }
        }
        $spans = [...$this->never($context), ...$this->withoutTubeLens($context)];
        $isInside = false;
        foreach ($context->columns->workingDistanceMm as $distance) {
            if ($distance !== null && $distance < 0.0) {
                $isInside = true;
                break;
            }
        }
        if ($isInside) {
            $inside = array_map(static fn (?float $distance): ?float => $distance === null ? null : -$distance, $context->columns->workingDistanceMm);
            $spans = Span::where($inside, 0.0, INF, new Finding(Code::FocusInside, Severity::Stop, null,
                'Focus falls {inside:mm} behind the front of the rig: nothing can stand there. Take off extension.'), ['inside' => $inside]);
        }
        if (in_array(Image::None, $context->columns->image, true)) {
            $none = array_map(static fn (Image $image): ?float => $image === Image::None ? 1.0 : null, $context->columns->image);
            array_push($spans, ...Span::where($none, 0.0, INF, new Finding(Code::NoImage, Severity::Stop, null, $this->reason($context))));
        }

        return $spans;
    }

    /**
     * Past infinity at every place of every travel: there is light, and nothing it could be sharp for.
     *
     * @return list<Span>
     */
    private function never(RuleContext $context): array
    {
        $short = $context->infinity->neverMm;

        return $short === null ? [] : $context->always(new Finding(Code::NoImage, Severity::Stop, null,
            'Nothing is ever sharp: even for what is far away the rig is {short:mm} too short. Add {short:mm} of extension or more.', ['short' => $short]));
    }

    /**
     * What an infinity-corrected objective images by itself is no picture.
     *
     * @return list<Span>
     */
    private function withoutTubeLens(RuleContext $context): array
    {
        foreach ($context->rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                return [];
            }
            if ($part instanceof Objective && $part->infinite) {
                return $context->always(new Finding(Code::NoImage, Severity::Stop, $i,
                    '{part} is corrected for infinity: without a lens behind it, focused at infinity, nothing it images is sharp.', ['part' => $part->label()]));
            }
        }

        return [];
    }

    private function reason(RuleContext $context): string
    {
        foreach ($context->rig->chain as $part) {
            if ($part->kind->isOptical()) {
                return 'No plane is imaged on the sensor: the light leaves the rig spreading. Change the distance between the lenses.';
            }
        }

        return 'There is no lens yet, so there is no image.';
    }
}
