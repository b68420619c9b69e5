<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Lens;

/**
 * What a lens truly is, where nobody has been told: figures of its own within what is known of it, and a blur of its own at each stop. It
 * stands before the made-up camera, so that there is something to be found out. The same seed and name are the same lens in every rig.
 */
final readonly class HiddenLens
{
    /** Half-widths are 1.645 standard deviations; a lens is no further off than this many of them. */
    private const NINE_IN_TEN = 1.645;

    private const MOST = 2.0;

    /** Standard deviation of a pupil ratio, as a share. */
    private const PUPIL = 0.02;

    /** What it blurs wide open at the least and at the most, and what is left of it stopped down, mm at the sensor. */
    private const OPEN_MM = [0.005, 0.011];

    private const LEAST_MM = [0.0012, 0.0022];

    /** Blur falls with so great a power of the f-number, at the least and at the most. */
    private const POWER = [1.6, 2.6];

    private function __construct(public SettledLens $lens, private float $openMm, private float $leastMm, private float $power)
    {
    }

    /**
     * The lens at a place of a rig. What was measured with it tells of it and doesn't change it: it is drawn about what it says of itself.
     *
     * @param  int  $part  a lens of its chain
     */
    public static function at(Rig $rig, int $part, int $seed): self
    {
        $lens = $rig->chain[$part];

        return self::of($lens instanceof Lens ? Settling::asSaid($lens, $rig->setting->zoomMm[$part] ?? null) : $rig->lenses[$part], $lens->label(), $seed);
    }

    private static function of(SettledLens $known, string $name, int $seed): self
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed ^ crc32($name)));
        $share = static fn (): float => $random->getInt(0, 1_000_000) / 1e6;
        $bell = static function () use ($share): float {
            $sum = -6.0;
            for ($n = 0; $n < 12; $n++) {
                $sum += $share();
            }

            return max(-self::MOST, min(self::MOST, $sum));
        };
        $between = static fn (float $least, float $most): float => $least + ($most - $least) * $share();
        $lens = $known;
        foreach (array_keys($known->ways) as $way) {
            $lens = $lens->moved($way, $bell() / self::NINE_IN_TEN);
        }

        return new self($lens->withPupilRatio($lens->p0 * (1.0 + self::PUPIL * $bell())), $between(...self::OPEN_MM), $between(...self::LEAST_MM), $between(...self::POWER));
    }

    /** The rig with every lens as it truly is. */
    public static function in(Rig $rig, int $seed): Rig
    {
        foreach (array_keys($rig->lenses) as $i) {
            $rig = $rig->withLens($i, self::at($rig, $i, $seed)->lens);
        }

        return $rig;
    }

    /**
     * What it blurs of its own: standard deviation at the sensor, mm.
     *
     * @param  float  $aperture  marked number, above 0
     */
    public function blurMm(float $aperture): float
    {
        $stops = $aperture / ($this->lens->widest ?? $aperture);

        return hypot($this->openMm / max(1.0, $stops) ** $this->power, $this->leastMm);
    }
}
