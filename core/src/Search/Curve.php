<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Optics\RayMatrix;

/**
 * Where a front assembly meets the target of a wish as its ring is turned: a row of points, and between which neighbours all limits
 * are kept. A rig does it if what stands behind the front assembly can be as long as one of these places asks.
 */
final class Curve
{
    /** Halvings that find where a limit is met between two places of the ring. */
    private const HALVINGS = 18;

    /** @var list<FrontSetting> that fit, in the order of the ring */
    public array $points = [];

    /** @var list<bool> whether everything between a point and the next fits too */
    public array $joined = [];

    /** @var list<float> where each stands, mm: what the search goes through */
    public array $z = [];

    /** Nearest and furthest of them. */
    public float $least = INF;

    public float $most = -INF;

    public function __construct(public readonly FrontOptics $optics, public readonly int $way, private readonly LimitCheck $limits, private readonly Target $target, private readonly CameraBody $base)
    {
        $before = null;
        $beforeLay = null;
        foreach ($optics->lays as $lay) {
            $point = $this->meet($lay);
            $fits = $point !== null && $point->fits;
            if ($before !== null && $fits !== $before->fits) {
                $edge = $this->edge($fits ? $lay->s : $beforeLay->s, $fits ? $beforeLay->s : $lay->s);
                if ($edge !== null) {
                    $this->add($edge, ! $fits);
                }
                if ($fits) {
                    $this->add($point, $edge !== null);
                }
            } elseif ($fits) {
                if ($before === null && $beforeLay !== null) {
                    $edge = $this->edge($lay->s, $beforeLay->s);
                    if ($edge !== null) {
                        $this->add($edge, false);
                    }
                    $this->add($point, $edge !== null);
                } else {
                    $this->add($point, $before !== null);
                }
            }
            $before = $point;
            $beforeLay = $lay;
        }
    }

    /**
     * The lengths that do it: from one point to the next where everything between does too.
     *
     * @return list<array{float, float}>
     */
    public function stretches(): array
    {
        $stretches = [];
        $from = 0;
        foreach ($this->z as $n => $z) {
            if (! ($this->joined[$n] ?? false)) {
                $least = $most = $z;
                for ($k = $from; $k < $n; $k++) {
                    $least = min($least, $this->z[$k]);
                    $most = max($most, $this->z[$k]);
                }
                $stretches[] = [$least, $most];
                $from = $n + 1;
            }
        }

        return $stretches;
    }

    /** The front assembly with its ring at a place, standing where the target is met; null where it isn't. */
    public function meet(RayMatrix $lay): ?FrontSetting
    {
        $z = $this->target->places($lay, $this->base->factor(), $this->base->converterMm())[$this->way];
        if (is_nan($z) || $z < 0.0) {
            return null;
        }
        $point = $this->limits->at($this->optics, $lay, $z);
        // A magnification is met by one kind of picture in each way, a distance by whatever picture stands there.
        if ($point === null || $this->target->kind === TargetKind::Magnification && ($lay->c * $z + $lay->d > 0.0) !== ($this->way === 1)) {
            return null;
        }

        return $point;
    }

    /**
     * The first place that suits a stack of these lengths, the ring as near to infinity as it can be; null = none does.
     * Between two points the ring's place is found by halving: its point is exact.
     */
    public function first(float $least, float $most): ?FrontSetting
    {
        $slack = 1e-9;
        foreach ($this->points as $k => $point) {
            if ($point->z >= $least - $slack && $point->z <= $most + $slack) {
                return $point;
            }
            $next = $this->points[$k + 1] ?? null;
            if ($next !== null && $this->joined[$k] && max($point->z, $next->z) >= $least && min($point->z, $next->z) <= $most) {
                return $this->between($point, $next, $point->z < $least ? $least : $most);
            }
        }

        return null;
    }

    private function between(FrontSetting $from, FrontSetting $to, float $z): ?FrontSetting
    {
        [$low, $high] = [$from->s, $to->s];
        [$atLow, $atHigh] = [$from->z - $z, $to->z - $z];
        $best = abs($atLow) < abs($atHigh) ? $from : $to;
        for ($n = 0; $n < 60 && abs($best->z - $z) > 1e-10 && $high - $low > 1e-15; $n++) {
            // Regula falsi, kept honest by halving every third time.
            $s = $n % 3 === 2 ? ($low + $high) / 2.0 : $low + ($high - $low) * $atLow / ($atLow - $atHigh);
            $point = $this->meet($this->optics->at(max($low, min($high, $s))));
            if ($point === null) {
                return null;
            }
            $best = $point;
            if (($point->z - $z) * $atLow > 0.0) {
                [$low, $atLow] = [$point->s, $point->z - $z];
            } else {
                [$high, $atHigh] = [$point->s, $point->z - $z];
            }
        }

        return $best;
    }

    private function edge(float $good, float $bad): ?FrontSetting
    {
        $found = null;
        for ($n = 0; $n < self::HALVINGS; $n++) {
            $s = ($good + $bad) / 2.0;
            $point = $this->meet($this->optics->at($s));
            if ($point !== null && $point->fits) {
                $good = $s;
                $found = $point;
            } else {
                $bad = $s;
            }
        }

        return $found;
    }

    private function add(FrontSetting $point, bool $joined): void
    {
        if ($this->points !== []) {
            $this->joined[] = $joined;
        }
        $this->points[] = $point;
        $this->z[] = $point->z;
        $this->least = min($this->least, $point->z);
        $this->most = max($this->most, $point->z);
    }
}
