<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\ApertureControl;

/** The f-numbers engraved on aperture rings and shown by cameras: powers of the root of two, by their usual names. */
final class MarkedStops
{
    private const FULL = [0.7, 1.0, 1.4, 2.0, 2.8, 4.0, 5.6, 8.0, 11.0, 16.0, 22.0, 32.0, 45.0, 64.0, 90.0, 128.0, 180.0, 256.0];

    private const HALF = [0.85, 1.2, 1.7, 2.4, 3.3, 4.8, 6.7, 9.5, 13.0, 19.0, 27.0, 38.0, 54.0, 76.0, 108.0, 152.0, 215.0];

    private const THIRD = [
        0.8, 0.9, 1.1, 1.25, 1.6, 1.8, 2.2, 2.5, 3.2, 3.5, 4.5, 5.0, 6.3, 7.1, 9.0, 10.0, 13.0, 14.0, 18.0, 20.0, 25.0, 29.0, 36.0, 40.0,
        51.0, 57.0, 72.0, 81.0, 102.0, 114.0, 144.0, 161.0, 203.0, 228.0,
    ];

    /** A third of a stop, as a factor of the f-number. */
    /** So many rings are remembered: a sweep asks for the same one at every place. */
    private const KEPT = 64;

    /** @var array<string, list<float>> */
    private static array $known = [];

    private const THIRD_OF_A_STOP = 1.122462048309373;

    /** Whether it stands engraved as a full stop, as most rings number. */
    public static function isFull(float $stop): bool
    {
        return in_array($stop, self::FULL, true);
    }

    /**
     * Whether a lens can be set to that number, a third of a stop to spare at either end. What electronics show counts the extension, so a
     * lens that shows the effective number goes on at its small end by what it loses at its closest.
     */
    public static function has(SettledLens $lens, float $stop): bool
    {
        $further = $lens->showsEffective ? max(1.0, LensModel::of($lens)->loss(1.0)) : 1.0;

        return ($lens->widest === null || $stop >= $lens->widest / self::THIRD_OF_A_STOP - 1e-9)
            && ($lens->smallest === null || $stop <= $lens->smallest * $further * self::THIRD_OF_A_STOP + 1e-9);
    }

    /** `f/2.8 to f/22`. */
    public static function limits(SettledLens $lens): string
    {
        return match (true) {
            $lens->smallest === null => sprintf('f/%.4g and smaller', $lens->widest),
            $lens->widest === null => sprintf('f/%.4g and wider', $lens->smallest),
            default => sprintf('f/%.4g to f/%.4g', $lens->widest, $lens->smallest),
        };
    }

    /** @return list<float> from the widest to the smallest, both included */
    public static function between(float $widest, float $smallest, ApertureControl $control): array
    {
        $key = $control->value.' '.$widest.' '.$smallest;
        if (isset(self::$known[$key])) {
            return self::$known[$key];
        }
        $stops = [$widest, $smallest];
        foreach ([...self::FULL, ...($control === ApertureControl::Electronic ? self::THIRD : self::HALF)] as $stop) {
            if ($stop > $widest * 1.04 && $stop < $smallest / 1.04) {
                $stops[] = $stop;
            }
        }
        sort($stops);
        if (count(self::$known) >= self::KEPT) {
            self::$known = [];
        }

        return self::$known[$key] = array_values(array_unique($stops));
    }
}
