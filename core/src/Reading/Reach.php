<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelGroups;
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

    /** With more controls than these, only their ends are looked at, one control at a time: settings would grow with the power of their number. */
    private const PRODUCT = 6;

    /** @return array<string, array{?float, ?float}> by reading; null = no finite value anywhere */
    public static function of(Rig $rig): array
    {
        $reach = array_fill_keys(self::READINGS, [null, null]);
        $groups = TravelGroups::of($rig);
        foreach (self::apertures($rig) as $stopped) {
            foreach (count($groups) > self::PRODUCT ? self::ends($stopped, $groups) : self::product($stopped, $groups, self::SAMPLES[max(1, count($groups))] ?? 2) as $set) {
                $reading = Reading::of($set);
                foreach (self::READINGS as $name) {
                    $value = $reading->{$name};
                    if (is_float($value)) {
                        [$least, $greatest] = $reach[$name];
                        $reach[$name] = [$least === null ? $value : min($least, $value), $greatest === null ? $value : max($greatest, $value)];
                    }
                }
            }
        }

        return $reach;
    }

    /** @return iterable<Rig> the working lens at either end of its marked apertures */
    private static function apertures(Rig $rig): iterable
    {
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind === TravelKind::Aperture && $travel->part === $rig->workingLens() && $travel->spans()) {
                yield $rig->with($travel->kind, $travel->part, $travel->least);
                yield $rig->with($travel->kind, $travel->part, $travel->greatest);

                return;
            }
        }
        yield $rig;
    }

    /**
     * @param  list<non-empty-list<Travel>>  $groups
     * @return iterable<Rig>
     */
    private static function product(Rig $rig, array $groups, int $samples): iterable
    {
        if ($groups === []) {
            yield $rig;

            return;
        }
        $group = array_pop($groups);
        for ($k = 0; $k < $samples; $k++) {
            yield from self::product(TravelGroups::set($rig, $group, $k / ($samples - 1)), $groups, $samples);
        }
    }

    /**
     * All at one end, and each by itself at the other.
     *
     * @param  list<non-empty-list<Travel>>  $groups
     * @return iterable<Rig>
     */
    private static function ends(Rig $rig, array $groups): iterable
    {
        foreach ([0.0, 1.0] as $end) {
            $all = array_reduce($groups, static fn (Rig $each, array $group): Rig => TravelGroups::set($each, $group, $end), $rig);
            yield $all;
            foreach ($groups as $group) {
                yield TravelGroups::set($all, $group, 1.0 - $end);
            }
        }
    }
}
