<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\VariableSpacer;

/** Every control of a rig and the places where it can rest (OPTICS.md, "Sweep"). */
final class Travels
{
    /** A sweep has no more places than this. */
    public const MOST = 1001;

    /** Steps that a scale can be engraved in, mm, tried from the finest. */
    private const STEPS_MM = [0.1, 0.2, 0.5, 1.0, 2.0, 5.0, 10.0];

    private const RING_STEPS = 200;

    /** @return list<Travel> from the camera outwards */
    public static function of(Rig $rig): array
    {
        $travels = [];
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof VariableSpacer) {
                $travels[] = new Travel($i, TravelKind::Length, $part->minMm, $part->maxMm, self::step($part));
            }
            if ($part instanceof Bellows && $part->maxSwingDeg > 0.0) {
                $travels[] = new Travel($i, TravelKind::Swing, -$part->maxSwingDeg, $part->maxSwingDeg, 0.5);
            }
            if ($part instanceof Bellows && $part->maxShiftMm > 0.0) {
                $travels[] = new Travel($i, TravelKind::Shift, -$part->maxShiftMm, $part->maxShiftMm, 0.5);
            }
            if ($part instanceof Lens) {
                array_push($travels, ...self::ofLens($rig, $i, $part));
            }
        }

        return $travels;
    }

    /** A control by its name, `place.kind`; null = the rig has none of that name. */
    public static function named(Rig $rig, string $name): ?Travel
    {
        foreach (self::of($rig) as $travel) {
            if ($travel->name() === $name) {
                return $travel;
            }
        }

        return null;
    }

    /** Where the control stands in this rig. */
    public static function setting(Rig $rig, Travel $travel): float
    {
        return match ($travel->kind) {
            TravelKind::Length => $rig->lengthMm($travel->part),
            TravelKind::Aperture => $rig->markedAperture($travel->part) ?? $travel->least,
            TravelKind::Zoom => $travel->clamp($rig->setting->zoomMm[$travel->part] ?? self::ownFocalLength($rig, $travel->part)),
            default => $rig->setting->of($travel->kind, $travel->part) ?? 0.0,
        };
    }

    /**
     * Its engraved steps, and where it stands now if that lies between two of them.
     *
     * @return list<float> rising, at most MOST
     */
    public static function positions(Rig $rig, Travel $travel): array
    {
        if ($travel->kind === TravelKind::Aperture) {
            $lens = $rig->chain[$travel->part];
            $positions = $lens instanceof Lens ? MarkedStops::between($travel->least, $travel->greatest, $lens->aperture->control) : [];
        } else {
            $count = min(self::MOST - 1, (int) round(($travel->greatest - $travel->least) / $travel->step));
            // Its ends as they are: rounding could step over them. Between them whole billionths, counted: round() costs ten times as much.
            $positions = $count > 0 ? [$travel->least] : [];
            $from = (int) round($travel->least * 1e9);
            $step = $travel->step * 1e9;
            for ($n = 1; $n < $count; $n++) {
                $positions[] = ($from + (int) ($n * $step + 0.5)) / 1e9;
            }
            $positions[] = $travel->greatest;
        }
        $now = self::setting($rig, $travel);
        if (count($positions) < self::MOST && ! in_array($now, $positions, true) && $now >= $travel->least && $now <= $travel->greatest) {
            $positions[] = $now;
            sort($positions);
        }

        return $positions;
    }

    /** @return list<Travel> */
    private static function ofLens(Rig $rig, int $i, Lens $lens): array
    {
        $travels = [];
        $settled = $rig->lenses[$i];
        if ($lens->isZoom()) {
            $least = $lens->stations[0]->focalLengthMm;
            $greatest = $lens->stations[count($lens->stations) - 1]->focalLengthMm;
            $travels[] = new Travel($i, TravelKind::Zoom, $least, $greatest, $greatest - $least > 400.0 ? 5.0 : 1.0);
        }
        if ($settled->turns()) {
            $travels[] = new Travel($i, TravelKind::Focus, $settled->leastFocus(), 1.0, 1.0 / self::RING_STEPS);
        }
        $isStuck = $rig->isStuck && $rig->totals->workingLens === $i;
        if ($settled->widest !== null && $settled->smallest !== null && $settled->smallest > $settled->widest && ! $isStuck) {
            $travels[] = new Travel($i, TravelKind::Aperture, $settled->widest, $settled->smallest, 0.0);
        }

        return $travels;
    }

    /** The finest engraving that keeps the sweep within a few hundred places. */
    private static function step(VariableSpacer $part): float
    {
        $way = $part->maxMm - $part->minMm;
        foreach (self::STEPS_MM as $step) {
            if ($way / $step <= 400.0) {
                return $step;
            }
        }

        return $way / 400.0;
    }

    private static function ownFocalLength(Rig $rig, int $i): float
    {
        $lens = $rig->chain[$i];

        return $lens instanceof Lens ? $lens->figures->focalLengthMm : 0.0;
    }

    /**
     * Where controls of a kind do what is asked, nearest to where they stand, on either side.
     *
     * @param  \Closure(Rig): bool  $does
     * @return list<array{Travel, float}>
     */
    public static function nearest(Rig $rig, TravelKind $kind, \Closure $does): array
    {
        $found = [];
        foreach (self::of($rig) as $travel) {
            if ($travel->kind !== $kind) {
                continue;
            }
            $now = self::setting($rig, $travel);
            $positions = self::positions($rig, $travel);
            foreach ([array_filter($positions, static fn (float $at): bool => $at > $now), array_reverse(array_filter($positions, static fn (float $at): bool => $at < $now))] as $side) {
                foreach ($side as $at) {
                    if ($does($rig->with($kind, $travel->part, $at))) {
                        $found[] = [$travel, $at];
                        break;
                    }
                }
            }
        }

        return $found;
    }
}
