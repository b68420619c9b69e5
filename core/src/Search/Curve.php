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

    /** By so much it may lie beyond what is reached and is gone through all the same, mm: rounding is nobody's miss. */
    private const SLACK_MM = 1e-6;

    /** @var list<float> where each point stands, mm, in the order of the ring: what the search goes through */
    public array $z = [];

    /** @var list<bool> whether everything between a point and the next fits too */
    public array $joined = [];

    /** Nearest and furthest of them. */
    public float $least = INF;

    public float $most = -INF;

    /** @var list<RayMatrix> the front assembly with its ring there */
    private array $lays = [];

    /** @var array<int, FrontSetting> what it does there, once somebody asks */
    private array $points = [];

    /**
     * @param  float  $from  nearest and furthest that it is ever carried, mm: where a limit is met beyond them isn't looked for
     */
    public function __construct(public readonly FrontOptics $optics, public readonly int $way, private readonly LimitCheck $limits, private readonly Target $target, private readonly CameraBody $base, private readonly float $from = -INF, private readonly float $to = INF)
    {
        if ($this->isOutOfReach()) {
            return;
        }
        $before = false;
        $beforeLay = null;
        $beforeZ = NAN;
        foreach ($optics->lays() as $lay) {
            $z = $this->place($lay);
            $fits = $z !== null && $limits->fits($optics, $lay, $z);
            if ($beforeLay !== null && $fits !== $before) {
                $edge = $this->isFar($z ?? NAN, $beforeZ) ? null : $this->edge($fits ? $lay->s : $beforeLay->s, $fits ? $beforeLay->s : $lay->s);
                if ($edge !== null) {
                    $this->add($edge[0], $edge[1], ! $fits);
                }
                if ($fits) {
                    $this->add($lay, $z, $edge !== null);
                }
            } elseif ($fits) {
                $this->add($lay, $z, $beforeLay !== null);
            }
            $before = $fits;
            $beforeLay = $lay;
            $beforeZ = $z ?? NAN;
        }
    }

    /**
     * Whether it is never carried as far as any of this asks, or never held as near. Told by the ends of the ring, where what lies between them
     * is on a straight line (but for a distance from the sensor, which is met on a parabola): most front assemblies need not be gone through place
     * by place.
     */
    private function isOutOfReach(): bool
    {
        $ends = $this->target->kind === TargetKind::SubjectDistance || $this->from === -INF ? null : $this->optics->ends();
        if ($ends === null) {
            return false;
        }
        $far = $this->target->place($ends[0], $this->base->factor(), $this->base->converterMm(), $this->way);
        $near = $this->target->place($ends[1], $this->base->factor(), $this->base->converterMm(), $this->way);

        return ! is_nan($far) && ! is_nan($near) && (max($far, $near) < max(0.0, $this->from) - self::SLACK_MM || min($far, $near) > $this->to + self::SLACK_MM);
    }

    /** What the front assembly does at one of its points. */
    public function point(int $n): FrontSetting
    {
        return $this->points[$n] ??= $this->limits->at($this->optics, $this->lays[$n], $this->z[$n]) ?? throw new \LogicException('What fits draws a picture.');
    }

    /** Whether everything between two places of the ring stands nearer than it is ever carried, or further: by as much as lies between them. */
    private function isFar(float $one, float $other): bool
    {
        $slack = abs($one - $other);

        return max($one, $other) + $slack < $this->from || min($one, $other) - $slack > $this->to;
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

    /** Where it stands with its ring at a place for the target to be met; null where it isn't. */
    private function place(RayMatrix $lay): ?float
    {
        $z = $this->target->place($lay, $this->base->factor(), $this->base->converterMm(), $this->way);
        // A magnification is met by one kind of picture in each way, a distance by whatever picture stands there.
        if (is_nan($z) || $z < 0.0 || $this->target->kind === TargetKind::Magnification && ($lay->c * $z + $lay->d > 0.0) !== ($this->way === 1)) {
            return null;
        }

        return $z;
    }

    /**
     * The first place that suits a stack of these lengths, the ring as near to infinity as it can be; null = none does.
     * Between two points the ring's place is found by halving: its point is exact.
     */
    public function first(float $least, float $most): ?FrontSetting
    {
        $slack = 1e-9;
        foreach ($this->z as $k => $z) {
            if ($z >= $least - $slack && $z <= $most + $slack) {
                return $this->point($k);
            }
            $next = $this->z[$k + 1] ?? null;
            if ($next !== null && $this->joined[$k] && max($z, $next) >= $least && min($z, $next) <= $most) {
                return $this->between($k, $z < $least ? $least : $most);
            }
        }

        return null;
    }

    /** @param  int  $k  the point before it */
    private function between(int $k, float $z): ?FrontSetting
    {
        [$low, $high] = [$this->lays[$k]->s, $this->lays[$k + 1]->s];
        [$atLow, $atHigh] = [$this->z[$k] - $z, $this->z[$k + 1] - $z];
        $best = abs($atLow) < abs($atHigh) ? $k : $k + 1;
        [$lay, $at] = [$this->lays[$best], $this->z[$best]];
        for ($n = 0; $n < 60 && abs($at - $z) > 1e-10 && $high - $low > 1e-15; $n++) {
            // Regula falsi, kept honest by halving every third time.
            $s = $n % 3 === 2 ? ($low + $high) / 2.0 : $low + ($high - $low) * $atLow / ($atLow - $atHigh);
            $lay = $this->optics->at(max($low, min($high, $s)));
            $at = $this->place($lay);
            if ($at === null) {
                return null;
            }
            if (($at - $z) * $atLow > 0.0) {
                [$low, $atLow] = [$lay->s, $at - $z];
            } else {
                [$high, $atHigh] = [$lay->s, $at - $z];
            }
        }

        return $this->limits->at($this->optics, $lay, $at);
    }

    /** @return array{RayMatrix, float}|null the ring at the last place that fits, and where it stands */
    private function edge(float $good, float $bad): ?array
    {
        $found = null;
        for ($n = 0; $n < self::HALVINGS; $n++) {
            $s = ($good + $bad) / 2.0;
            $lay = $this->optics->at($s);
            $z = $this->place($lay);
            if ($z !== null && $this->limits->fits($this->optics, $lay, $z)) {
                $good = $s;
                $found = [$lay, $z];
            } else {
                $bad = $s;
            }
        }

        return $found;
    }

    private function add(RayMatrix $lay, float $z, bool $joined): void
    {
        if ($this->z !== []) {
            $this->joined[] = $joined;
        }
        $this->lays[] = $lay;
        $this->z[] = $z;
        $this->least = min($this->least, $z);
        $this->most = max($this->most, $z);
    }
}
