<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Trace\AxialSampler;
use ZincThimble\Core\Trace\Image;

/**
 * Least and greatest magnification, working and subject distance over the product of all travels that move focus
 * (OPTICS.md, "Range"): sampled, then the extremes refined. The zoom stays as set; places without an image are left out.
 */
final readonly class Range
{
    /** Samples along each travel, by how many travels there are; more travels than listed take the last. */
    private const SAMPLES = [1 => 25, 2 => 9, 3 => 5, 4 => 4, 5 => 3];

    /** Golden section: what is left of an interval after each of these steps is far below a thousandth. */
    private const STEPS = 32;

    private const GOLDEN = 0.6180339887498949;

    private const MAGNIFICATION = 0;

    private const WORKING = 1;

    private const SUBJECT = 2;

    /**
     * @param  array{?float, ?float}  $magnification  least and greatest; null = no image anywhere
     * @param  array{?float, ?float}  $workingDistanceMm  null as the greatest = infinite
     * @param  array{?float, ?float}  $subjectDistanceMm
     */
    private function __construct(
        public array $magnification,
        public array $workingDistanceMm,
        public array $subjectDistanceMm,
    ) {
    }

    public function reachesInfinity(): bool
    {
        return $this->magnification[0] === 0.0;
    }

    public static function of(Rig $rig): self
    {
        $travels = array_values(array_filter($rig->focusTravels(), static fn (Travel $travel): bool => $travel->spans()));

        return self::over(new AxialSampler($rig, $travels), $travels);
    }

    /** @param  list<Travel>  $travels */
    public static function over(AxialSampler $sampler, array $travels): self
    {
        $many = count($travels);
        $samples = $many === 0 ? 1 : self::SAMPLES[min($many, 5)];
        $count = $samples ** $many;
        /** @var list<array{float, float, float}|null> $found */
        $found = [];
        $slopes = [];
        $infinite = false;
        for ($n = 0; $n < $count; $n++) {
            $sampler->sample(self::place($travels, $samples, $n));
            $slopes[] = $sampler->t;
            $found[] = $sampler->image === Image::Real
                ? [$sampler->magnification, $sampler->workingDistanceMm, $sampler->subjectDistanceMm]
                : null;
            $infinite = $infinite || $sampler->image === Image::AtInfinity;
        }
        // The slope is continuous: where it changes sign between neighbours, it passes through infinity.
        for ($n = 0; ! $infinite && $n < $count; $n++) {
            for ($a = 0, $stride = 1; $a < $many; $a++, $stride *= $samples) {
                if (intdiv($n, $stride) % $samples < $samples - 1 && $slopes[$n] * $slopes[$n + $stride] < 0.0
                    && ($found[$n] !== null || $found[$n + $stride] !== null)) {
                    $infinite = true;
                }
            }
        }

        $least = [null, null, null];
        $greatest = [null, null, null];
        for ($q = 0; $q < 3; $q++) {
            $lowAt = $highAt = -1;
            $low = INF;
            $high = -INF;
            foreach ($found as $n => $values) {
                if ($values !== null && $values[$q] < $low) {
                    $low = $values[$q];
                    $lowAt = $n;
                }
                if ($values !== null && $values[$q] > $high) {
                    $high = $values[$q];
                    $highAt = $n;
                }
            }
            if ($lowAt >= 0) {
                $least[$q] = $q === self::MAGNIFICATION && $infinite ? 0.0 : self::refine($sampler, $travels, $samples, $lowAt, $q, -1.0);
                $greatest[$q] = $q !== self::MAGNIFICATION && $infinite ? null : self::refine($sampler, $travels, $samples, $highAt, $q, 1.0);
            } elseif ($infinite && $q === self::MAGNIFICATION) {
                $least[$q] = $greatest[$q] = 0.0;
            }
        }

        return new self(
            [$least[self::MAGNIFICATION], $greatest[self::MAGNIFICATION]],
            [$least[self::WORKING], $greatest[self::WORKING]],
            [$least[self::SUBJECT], $greatest[self::SUBJECT]],
        );
    }

    /**
     * The extreme near the best sample: one travel after the other, between its two neighbours, twice round.
     *
     * @param  list<Travel>  $travels
     * @param  float  $sign  1 for the greatest, -1 for the least
     */
    private static function refine(AxialSampler $sampler, array $travels, int $samples, int $n, int $q, float $sign): float
    {
        $at = self::place($travels, $samples, $n);
        $best = $sign * self::value($sampler, $at, $q);
        for ($round = 0; $round < (count($travels) > 1 ? 2 : 1); $round++) {
            foreach ($travels as $a => $travel) {
                $spacing = ($travel->greatest - $travel->least) / ($samples - 1) / ($round === 0 ? 1 : 8);
                $low = max($travel->least, $at[$a] - $spacing);
                $high = min($travel->greatest, $at[$a] + $spacing);
                if (self::isEnd($sampler, $at, $a, $low, $high, $q, $sign, $best)) {
                    continue;
                }
                $x1 = $high - self::GOLDEN * ($high - $low);
                $x2 = $low + self::GOLDEN * ($high - $low);
                $v1 = self::moved($sampler, $at, $a, $x1, $q, $sign);
                $v2 = self::moved($sampler, $at, $a, $x2, $q, $sign);
                for ($step = 0; $step < self::STEPS; $step++) {
                    if ($v1 < $v2) {
                        $low = $x1;
                        $x1 = $x2;
                        $v1 = $v2;
                        $x2 = $low + self::GOLDEN * ($high - $low);
                        $v2 = self::moved($sampler, $at, $a, $x2, $q, $sign);
                    } else {
                        $high = $x2;
                        $x2 = $x1;
                        $v2 = $v1;
                        $x1 = $high - self::GOLDEN * ($high - $low);
                        $v1 = self::moved($sampler, $at, $a, $x1, $q, $sign);
                    }
                }
                $x = $v1 > $v2 ? $x1 : $x2;
                $v = max($v1, $v2);
                if ($v > $best) {
                    $best = $v;
                    $at[$a] = $x;
                }
            }
        }

        return $sign * $best;
    }

    /**
     * Whether the best value stands at an end of its travel and gets worse at once on the way in.
     *
     * @param  array<int, float>  $at
     */
    private static function isEnd(AxialSampler $sampler, array $at, int $a, float $low, float $high, int $q, float $sign, float $best): bool
    {
        $inwards = ($high - $low) * 1e-4;
        $end = match ($at[$a]) {
            $low => $low + $inwards,
            $high => $high - $inwards,
            default => null,
        };

        return $end !== null && self::moved($sampler, $at, $a, $end, $q, $sign) <= $best;
    }

    /** @param  array<int, float>  $at */
    private static function moved(AxialSampler $sampler, array $at, int $a, float $x, int $q, float $sign): float
    {
        $at[$a] = $x;
        $value = self::value($sampler, $at, $q);

        return $value === -INF ? -INF : $sign * $value;
    }

    /** @param  array<int, float>  $at */
    private static function value(AxialSampler $sampler, array $at, int $q): float
    {
        $sampler->sample($at);
        if ($sampler->image !== Image::Real) {
            return -INF;
        }

        return match ($q) {
            self::MAGNIFICATION => $sampler->magnification,
            self::WORKING => $sampler->workingDistanceMm,
            default => $sampler->subjectDistanceMm,
        };
    }

    /**
     * @param  list<Travel>  $travels
     * @return array<int, float>
     */
    private static function place(array $travels, int $samples, int $n): array
    {
        $at = [];
        foreach ($travels as $a => $travel) {
            $k = $n % $samples;
            $n = intdiv($n, $samples);
            $at[$a] = $k === $samples - 1 ? $travel->greatest : $travel->least + ($travel->greatest - $travel->least) * $k / ($samples - 1);
        }

        return $at;
    }
}
