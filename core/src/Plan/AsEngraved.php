<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Helicoid;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Rig\LensModel;
use ZincThimble\Core\Rig\Rig;

/** How a part is set, as its own scale says it: a draw from where the scale reads 0, a helicoid in turns, a ring by distance. */
final class AsEngraved
{
    /** From here on a ring is engraved in metres, mm. */
    private const METRES = 1000.0;

    /** `Tube 9 + Moor 50 turned round`: the parts of a rig, from the camera outwards. */
    public static function title(Rig $rig): string
    {
        return implode(' + ', array_map(self::name(...), $rig->chain));
    }

    /** A part by its name, and which way round a lens stands. */
    public static function name(Part $part): string
    {
        return $part->label().($part instanceof Lens && $part->reversed ? ' turned round' : '');
    }

    /** `f/8, ring at 2.3 m, zoom 45 mm`; '' when nothing on it moves. */
    public static function of(Rig $rig, int $index): string
    {
        $part = $rig->chain[$index];

        return match (true) {
            $part instanceof VariableSpacer => implode(', ', array_filter([self::length($rig, $index, $part), self::turned($rig, $index)])),
            $part instanceof Lens => self::lens($rig, $index, $part),
            default => '',
        };
    }

    private static function length(Rig $rig, int $index, VariableSpacer $part): string
    {
        $mm = $rig->lengthMm($index);

        return match (true) {
            $part instanceof Bellows => 'draw '.Phrase::figure($mm - $part->scaleZeroMm, 'mm'),
            $part instanceof Helicoid && $part->pitchMm !== null && $part->pitchMm > 0.0 => number_format(($mm - $part->minMm) / $part->pitchMm, 2).' turns',
            default => Phrase::figure($mm, 'mm'),
        };
    }

    private static function turned(Rig $rig, int $index): string
    {
        return $rig->setting->makeshift[$index] ?? false ? 'front plate turned' : '';
    }

    private static function lens(Rig $rig, int $index, Lens $part): string
    {
        $said = [];
        if ($part->isZoom()) {
            $said[] = 'zoom '.Phrase::figure($rig->setting->zoomMm[$index] ?? $part->figures->focalLengthMm, 'mm');
        }
        $marked = $rig->markedAperture($index);
        if ($marked !== null) {
            $said[] = Phrase::figure($marked, 'f');
        }
        if ($rig->lenses[$index]->turns()) {
            $said[] = 'ring at '.self::ring($rig, $index);
        }
        if ($rig->setting->makeshift[$index] ?? false) {
            $said[] = 'lever wedged';
        }

        return implode(', ', $said);
    }

    /** A place of a focus ring as finely as neighbouring frames of a stack want it told: `1.9934 m`, `312.4 mm`. */
    public static function finely(Rig $rig, int $index, float $focus): string
    {
        $distance = self::engravedMm(LensModel::of($rig->lenses[$index]), $focus);

        return match (true) {
            $distance === null => '∞',
            $distance >= self::METRES => number_format($distance / 1000.0, 4)."\u{202f}m",
            default => number_format($distance, 1)."\u{202f}mm",
        };
    }

    /** On its own mount a ring at s stands at `D = f(s) (2 + m + 1/m) + g(s)` (OPTICS.md, "Settling a lens"). */
    private static function ring(Rig $rig, int $index): string
    {
        $distance = self::engravedMm(LensModel::of($rig->lenses[$index]), $rig->setting->focus[$index] ?? 0.0);

        return match (true) {
            $distance === null => '∞',
            $distance >= self::METRES => Phrase::digits($distance / 1000.0).' m',
            default => Phrase::figure($distance, 'mm'),
        };
    }

    /** What stands engraved at a place of a ring, from the sensor, mm; null = infinity or past it. */
    public static function engravedMm(LensModel $lens, float $s): ?float
    {
        $m = $lens->magnification($s);

        return $m <= 0.0 ? null : $lens->focalLength($s) * (2.0 + $m + 1.0 / $m) + $lens->principalGap($s);
    }
}
