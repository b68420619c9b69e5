<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Trace\Image;

/** `focus-inside`, `no-image`: whether there is a plane that a subject can be put in. */
final class ImageRule implements Rule
{
    /** `focus-inside`, `no-image`. */
    public function find(Facts $facts): array
    {
        foreach ($facts->rig->chain as $i => $part) {
            if ($part instanceof Teleconverter && $i > 0) {
                return $facts->always(new Finding(Code::NoImage, Severity::Stop, $i,
                    '{part} is worked out only directly at the camera. Put it there, or take it off.', ['part' => $part->label()]));
            }
        }
        $spans = [];
        $inside = [];
        $none = [];
        foreach ($facts->columns->workingDistanceMm as $row => $distance) {
            $inside[] = $distance === null ? null : -$distance;
            $none[] = $facts->columns->image[$row] === Image::None ? 1.0 : null;
        }
        $spans = Span::where($inside, 0.0, INF, new Finding(Code::FocusInside, Severity::Stop, null,
            'Focus falls {inside:mm} behind the front of the rig: nothing can stand there. Take off extension.'), ['inside' => $inside]);

        return [...$spans, ...Span::where($none, 0.0, INF, new Finding(Code::NoImage, Severity::Stop, null, $this->reason($facts)))];
    }

    private function reason(Facts $facts): string
    {
        foreach ($facts->rig->chain as $part) {
            if ($part->kind->isOptical()) {
                return 'No plane is imaged on the sensor: the light leaves the rig spreading. Change the distance between the lenses.';
            }
        }

        return 'There is no lens yet, so there is no image.';
    }
}
