<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/**
 * Least and greatest of the readings that the aperture moves too, over all travels that move focus and the working
 * lens's marked apertures, both ends included. These readings rise or fall with extension and aperture throughout, so
 * their extremes stand at ends of travels; places between are sampled all the same.
 */
final class Reach
{
    public const READINGS = ['effectiveAperture', 'stopsLost', 'depthOfFieldMm', 'detailMm'];

    private const SAMPLES = [1 => 9, 2 => 5, 3 => 3];

    /** @return array<string, array{?float, ?float}> by reading; null = no finite value anywhere */
    public static function of(Rig $rig): array
    {
        $travels = array_values(array_filter(Travels::of($rig), static fn (Travel $travel): bool => $travel->spans()
            && ($travel->kind->movesFocus() || ($travel->kind === TravelKind::Aperture && $travel->part === $rig->workingLens()))));
        $focusing = count(array_filter($travels, static fn (Travel $travel): bool => $travel->kind->movesFocus()));
        $samples = self::SAMPLES[max(1, $focusing)] ?? 2;
        $reach = array_fill_keys(self::READINGS, [null, null]);
        foreach (self::settings($rig, $travels, $samples) as $set) {
            $reading = Reading::of($set);
            foreach (self::READINGS as $name) {
                $value = $reading->{$name};
                if (is_float($value)) {
                    [$least, $greatest] = $reach[$name];
                    $reach[$name] = [$least === null ? $value : min($least, $value), $greatest === null ? $value : max($greatest, $value)];
                }
            }
        }

        return $reach;
    }

    /**
     * @param  list<Travel>  $travels
     * @return list<Rig>
     */
    private static function settings(Rig $rig, array $travels, int $samples): array
    {
        $rigs = [$rig];
        foreach ($travels as $travel) {
            $steps = $travel->kind === TravelKind::Aperture ? 2 : $samples;
            $moved = [];
            foreach ($rigs as $each) {
                for ($k = 0; $k < $steps; $k++) {
                    $moved[] = $each->with($travel->kind, $travel->part, $travel->least + ($travel->greatest - $travel->least) * $k / ($steps - 1));
                }
            }
            $rigs = $moved;
        }

        return $rigs;
    }
}
