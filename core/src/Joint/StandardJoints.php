<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

/**
 * The joints that ship with the application: common thread standards, and bayonets told apart by their register alone.
 * People add their own (a name, a register, a throat).
 */
final class StandardJoints
{
    /** Filter threads: diameter and pitch, mm. */
    private const FILTER = [
        [25.5, 0.5], [27, 0.5], [30, 0.5], [30.5, 0.5], [34, 0.5], [35.5, 0.5], [37, 0.75], [39, 0.5], [40.5, 0.5], [43, 0.75], [46, 0.75], [48, 0.75], [49, 0.75],
        [52, 0.75], [55, 0.75], [58, 0.75], [60, 0.75], [62, 0.75], [67, 0.75], [72, 0.75], [77, 0.75], [82, 0.75], [86, 1], [95, 1], [105, 1],
    ];

    /** Threads that lenses and tubes are mounted by. */
    private const MOUNT = [
        ['thread:20.32x36tpi', 'microscope objectives', null], ['thread:25x0.75', 'enlarging lenses, small', null], ['thread:25.4x32tpi', 'cine lenses', 17.526],
        ['thread:26x0.75', 'objectives, wider', null], ['thread:27x0.75', 'objectives, wider', null], ['thread:32.5x0.5', 'enlarging lenses', null], ['thread:39x1', 'screw lenses, metric', null],
        ['thread:39x26tpi', 'screw lenses and enlarging lenses', 28.8], ['thread:42x0.75', 'tubes and telescopes', 55.0], ['thread:42x1', 'screw lenses', 45.46],
        ['thread:50x0.75', 'enlarging lenses, large', null], ['thread:53x0.75', 'enlarging lenses, large', null], ['thread:58x0.75', 'helicoids', null], ['thread:65x1', 'large helicoids', null],
    ];

    /** Bayonets by register: name, register mm, throat mm. */
    private const BAYONETS = [
        ['short 16', 16.0, 52.0], ['short 18', 18.0, 46.0], ['short 19', 19.25, 38.0], ['short 20', 20.0, 48.0], ['finder 28', 27.8, 40.0],
        ['mirror 40', 40.0, 44.0], ['mirror 44', 44.0, 50.0], ['mirror 45', 45.5, 46.0], ['mirror 46', 46.5, 44.0], ['medium 62', 61.6, 62.0], ['medium 71', 70.9, 60.0], ['medium 74', 74.1, 58.0],
    ];

    /** @return list<array{name: string, type: string, use: string, registerMm: ?float, throatMm: ?float, diameterMm: ?float, pitchMm: ?float}> */
    public static function all(): array
    {
        $all = [];
        foreach (self::BAYONETS as [$name, $register, $throat]) {
            $all[] = ['name' => $name, 'type' => 'bayonet', 'use' => 'bodies and lenses of that register', 'registerMm' => $register, 'throatMm' => $throat, 'diameterMm' => null, 'pitchMm' => null];
        }
        foreach (self::MOUNT as [$name, $use, $register]) {
            $all[] = self::thread($name, $use, $register);
        }
        foreach (self::FILTER as [$diameter, $pitch]) {
            $name = 'thread:'.$diameter.'x'.$pitch;
            if (! in_array($name, array_column(self::MOUNT, 0), true)) {
                $all[] = self::thread($name, 'filters', null);
            }
        }

        return $all;
    }

    /** @return array{name: string, type: string, use: string, registerMm: ?float, throatMm: ?float, diameterMm: ?float, pitchMm: ?float} */
    private static function thread(string $name, string $use, ?float $register): array
    {
        $joint = \ZincThimble\Core\Gear\Joint::parse($name);

        return ['name' => $name, 'type' => 'thread', 'use' => $use, 'registerMm' => $register, 'throatMm' => null, 'diameterMm' => $joint->diameterMm, 'pitchMm' => $joint->pitchMm];
    }
}
