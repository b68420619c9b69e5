<?php

declare(strict_types=1);

namespace ZincThimble\Core\Finding;

use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Rig\Rig;

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
            array_push($spans, ...$this->inside($context));
        }
        if (in_array(Image::None, $context->columns->image, true)) {
            $none = array_map(static fn (Image $image): ?float => $image === Image::None ? 1.0 : null, $context->columns->image);
            array_push($spans, ...Span::where($none, 0.0, INF, new Finding(Code::NoImage, Severity::Stop, null, $this->reason($context))));
        }

        return $spans;
    }

    /**
     * @return list<Span> how deep, how much extension to take off, and the longest that works
     */
    private function inside(RuleContext $context): array
    {
        $inside = $off = $longest = $all = $short = [];
        foreach ($context->columns->workingDistanceMm as $row => $distance) {
            $in = $distance === null || $distance >= 0.0 ? null : -$distance;
            $rig = $in === null ? null : $context->rigAt($row);
            $out = $rig === null ? null : self::tooLong($rig);
            $left = $rig === null || $out === null ? null : self::extension($rig) - $out;
            $works = $left !== null && $left >= 0.0;
            $inside[] = $in;
            $off[] = $out;
            $longest[] = $left;
            $all[] = $works ? $in : null;
            $short[] = $works ? null : $in;
        }

        return [
            ...Span::where($all, 0.0, INF, new Finding(Code::FocusInside, Severity::Stop, null,
                'Focus falls {inside:mm} behind the front of the rig: nothing can stand there. Take off {off:mm} of extension or more; the longest that works is {longest:mm}.'),
                ['inside' => $inside, 'off' => $off, 'longest' => $longest]),
            ...Span::where($short, 0.0, INF, new Finding(Code::FocusInside, Severity::Stop, null,
                'Focus falls {inside:mm} behind the front of the rig: nothing can stand there, with no extension at all. It takes weaker glass in front, or another lens.'), ['inside' => $inside]),
        ];
    }

    /** Extension to take off at the camera until the plane of focus lies at the front-most metal, mm: there both rays have height 0 together. */
    private static function tooLong(Rig $rig): ?float
    {
        $axis = Axis::of($rig);
        $way = $axis->frontOptical - $axis->zLast;
        $field = $axis->fieldY + $axis->fieldT * $way;
        $off = $field === 0.0 ? null : ($axis->y + $axis->t * $way) / $field;

        return $off === null || $off <= 0.0 ? null : $off;
    }

    /** What of tubes, rings, helicoids and bellows stands between the camera and the first glass, mm. */
    private static function extension(Rig $rig): float
    {
        $length = 0.0;
        foreach ($rig->chain as $i => $part) {
            if ($part->kind->isOptical()) {
                break;
            }
            $length += $rig->lengthMm($i);
        }

        return $length;
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
        if (! FocusState::lacksTubeLens($context->rig)) {
            return [];
        }
        foreach ($context->rig->chain as $i => $part) {
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
