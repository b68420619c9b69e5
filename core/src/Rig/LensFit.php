<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\LensShot;

/**
 * The most probable figures of a lens: the least sum of squares, each over its standard deviation, of their departures from the
 * catalogue, of a unit lens's own law `A f + g - D`, and of every measure of every shot; by Gauss-Newton from the catalogue's figures
 * (OPTICS.md, "Settling a lens", "Shots"). The covariance is the inverse of the normal matrix at the solution.
 */
final class LensFit
{
    private const MOST_ROUNDS = 60;

    /** A step shorter than this, in half-widths, is the last. */
    private const DONE = 1e-11;

    /** A figure known exactly is known to this, mm: nothing may be divided by 0. */
    private const LEAST_HALF_WIDTH = 1e-7;

    /** Step of a derivative, as a share of a half-width. */
    private const STEP = 1e-4;

    /** @var list<float> */
    public array $x;

    /** @var array<int, array<int, float>> */
    public array $covariance = [];

    /** @var list<float> the catalogue's figures, and one over the standard deviation of each */
    private readonly array $from;

    /** @var list<float> */
    private readonly array $weights;

    /** How many of the figures the shots speak of; the rest stay the catalogue's. */
    private readonly int $free;

    /** @var list<array{LensShot, string, float, float}> shot, reading, value, standard deviation */
    private array $measures = [];

    /** @param  list<LensShot>  $shots */
    private function __construct(private readonly SettledLens $lens, array $shots)
    {
        $this->x = $this->from = $lens->catalogue();
        $this->weights = array_map(static fn (float $half): float => KnownFigures::NINE_IN_TEN / max($half, self::LEAST_HALF_WIDTH), $lens->halfWidths());
        $close = false;
        foreach ($shots as $shot) {
            $close = $close || $shot->focus > 0.0;
            foreach (ShotTrace::measures($shot, $lens->f0) as [$reading, $value, $half]) {
                $this->measures[] = [$shot, $reading, $value, $this->spread($shot, $reading, max($half, self::LEAST_HALF_WIDTH)) / KnownFigures::NINE_IN_TEN];
            }
        }
        foreach ($this->weights as $i => $weight) {
            $row = array_fill(0, count($this->weights), 0.0);
            $row[$i] = 1.0 / ($weight * $weight);
            $this->covariance[] = $row;
        }
        $this->free = $close || $lens->focusing !== Focusing::Internal ? count($this->from) : 4;
    }

    /** @param  list<LensShot>  $shots */
    public static function of(SettledLens $lens, array $shots): self
    {
        $fit = new self($lens, $shots);
        $law = $lens->focusing === Focusing::Unit && $lens->known->closestMm !== null;
        // Most lenses have no shots: a file, a kit and a search settle hundreds of them.
        if ($fit->measures === [] && (! $law || $fit->byItsLaw())) {
            return $fit;
        }
        // Magnifications are nearly straight lines, distances are not: from where the first leave it the rest is a short way.
        $measures = $fit->measures;
        $fit->measures = array_values(array_filter($measures, static fn (array $measure): bool => $measure[1] === 'magnification'));
        if ($fit->measures !== [] && count($fit->measures) < count($measures)) {
            $fit->descend();
        }
        $fit->measures = $measures;
        $fit->descend();
        $fit->covariance = $fit->covariance();

        return $fit;
    }

    /**
     * The same Gauss-Newton with the law for its one term: what that takes out of the variances is of rank one, so that each round is a
     * few sums.
     *
     * @return bool whether it got there; else descend() has to, by shorter steps
     */
    private function byItsLaw(): bool
    {
        [$f0, $g0, , , $m0] = $this->from + [4 => 0.0];
        [$vf, $vg, , , $vm] = array_map(static fn (float $weight): float => 1.0 / ($weight * $weight), $this->weights) + [4 => 0.0];
        $closest = $this->lens->known->closestMm ?? 0.0;
        $vd = (max($this->lens->known->closestHalfWidth, self::LEAST_HALF_WIDTH) / KnownFigures::NINE_IN_TEN) ** 2;
        [$f, $g, $m] = [$f0, $g0, $m0];
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $a = 2.0 + $m + 1.0 / $m;
            $byM = $f * (1.0 - 1.0 / ($m * $m));
            $whole = $a * $a * $vf + $vg + $byM * $byM * $vm + $vd;
            $miss = ($a * $f + $g - $closest + $a * ($f0 - $f) + ($g0 - $g) + $byM * ($m0 - $m)) / $whole;
            $next = [$f0 - $vf * $a * $miss, $g0 - $vg * $miss, $m0 - $vm * $byM * $miss];
            if ($next[0] <= 0.0 || $next[2] <= 0.0 || $next[2] <= $this->lens->mBegin) {
                return false;
            }
            $step = max(abs($next[0] - $f) * $this->weights[0], abs($next[1] - $g) * $this->weights[1], abs($next[2] - $m) * $this->weights[4]);
            [$f, $g, $m] = $next;
            if ($step < self::DONE) {
                $this->x = [$f, $g, $this->from[2], $this->from[3], $m];
                $a = 2.0 + $m + 1.0 / $m;
                $byM = $f * (1.0 - 1.0 / ($m * $m));
                $whole = $a * $a * $vf + $vg + $byM * $byM * $vm + $vd;
                $taken = [$vf * $a, $vg, 0.0, 0.0, $vm * $byM];
                foreach ($taken as $i => $one) {
                    foreach ($taken as $j => $other) {
                        $this->covariance[$i][$j] -= $one * $other / $whole;
                    }
                }

                return true;
            }
        }

        return false;
    }

    /** Half-width of a measure with how an internally focusing lens may bend between its ends (OPTICS.md, "How sure"). */
    private function spread(LensShot $shot, string $reading, float $half): float
    {
        $lens = $this->lens;
        if ($lens->focusing !== Focusing::Internal || $shot->focus <= 0.0 || $shot->focus >= 1.0) {
            return $half;
        }
        foreach ($lens->bends() as [$up, $down]) {
            $half = hypot($half, (ShotTrace::of($up, $shot)->reading($reading) - ShotTrace::of($down, $shot)->reading($reading)) / 2.0);
        }

        return $half;
    }

    private function descend(): void
    {
        $sum = $this->sum($this->x);
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            [$normal, $right] = $this->normal();
            $step = Cholesky::solve(Cholesky::factor($normal), $right);
            $length = 1.0;
            do {
                $next = $this->x;
                foreach ($step as $k => $by) {
                    $next[$k] += $length * $by;
                }
                $next = array_values($next);
                $now = $this->believable($next) ? $this->sum($next) : INF;
                // Rounding may say that the least is a hair less than the least.
                $better = $now <= $sum + 1e-12 * (1.0 + $sum);
                $length /= 2.0;
            } while (! $better && $length > 1e-6);
            if (! $better) {
                return;
            }
            $this->x = $next;
            $sum = $now;
            $longest = 0.0;
            foreach ($step as $k => $by) {
                $longest = max($longest, abs($by) * $this->weights[$k]);
            }
            if ($longest < self::DONE) {
                return;
            }
        }
    }

    /** @param  list<float>  $x */
    private function believable(array $x): bool
    {
        return $x[0] > 0.0 && (! isset($x[4]) || ($x[4] > 0.0 && $x[4] > $this->lens->mBegin));
    }

    /** @param  list<float>  $x */
    private function sum(array $x): float
    {
        $sum = 0.0;
        foreach ($x as $k => $value) {
            $sum += (($value - $this->from[$k]) * $this->weights[$k]) ** 2;
        }
        $law = $this->law($x);
        $sum += $law === null ? 0.0 : $law[0] * $law[0];
        if ($this->measures !== []) {
            $lens = $this->lens->at($x);
            foreach ($this->measures as [$shot, $reading, $value, $deviation]) {
                $sum += ((ShotTrace::of($lens, $shot)->reading($reading) - $value) / $deviation) ** 2;
            }
        }

        return $sum;
    }

    /**
     * A unit lens at its closest: `A f + g - D` over its standard deviation, and how that changes with each figure.
     *
     * @param  list<float>  $x
     * @return ?array{float, list<float>} null = the lens has no such law
     */
    private function law(array $x): ?array
    {
        $closest = $this->lens->known->closestMm;
        if ($closest === null || $this->lens->focusing !== Focusing::Unit) {
            return null;
        }
        $weight = KnownFigures::NINE_IN_TEN / max($this->lens->known->closestHalfWidth, self::LEAST_HALF_WIDTH);
        $m = $x[4];
        $a = 2.0 + $m + 1.0 / $m;

        return [($a * $x[0] + $x[1] - $closest) * $weight, [$a * $weight, $weight, 0.0, 0.0, $x[0] * (1.0 - 1.0 / ($m * $m)) * $weight]];
    }

    /** @return array{list<list<float>>, list<float>} the normal matrix of the free figures, and minus the gradient */
    private function normal(): array
    {
        $n = $this->free;
        $matrix = [];
        $right = [];
        for ($i = 0; $i < $n; $i++) {
            $matrix[] = array_fill(0, $n, 0.0);
            $matrix[$i][$i] = $this->weights[$i] * $this->weights[$i];
            $right[] = ($this->from[$i] - $this->x[$i]) * $matrix[$i][$i];
        }
        foreach ($this->terms() as [$residual, $row]) {
            for ($i = 0; $i < $n; $i++) {
                $right[$i] -= $row[$i] * $residual;
                for ($j = 0; $j < $n; $j++) {
                    $matrix[$i][$j] += $row[$i] * $row[$j];
                }
            }
        }

        return [array_map(array_values(...), $matrix), array_values($right)];
    }

    /** @return list<array{float, list<float>}> each term over its standard deviation, and how it changes with each figure */
    private function terms(): array
    {
        $terms = [];
        $law = $this->law($this->x);
        if ($law !== null) {
            $terms[] = $law;
        }
        if ($this->measures === []) {
            return $terms;
        }
        $lens = $this->lens->at($this->x);
        $ups = $downs = $steps = [];
        for ($k = 0; $k < $this->free; $k++) {
            $steps[] = self::STEP * KnownFigures::NINE_IN_TEN / $this->weights[$k];
            $x = $this->x;
            $x[$k] += $steps[$k];
            $ups[] = $this->lens->at(array_values($x));
            $x[$k] -= 2.0 * $steps[$k];
            $downs[] = $this->lens->at(array_values($x));
        }
        foreach ($this->measures as [$shot, $reading, $value, $deviation]) {
            $row = [];
            foreach ($ups as $k => $up) {
                $row[] = (ShotTrace::of($up, $shot)->reading($reading) - ShotTrace::of($downs[$k], $shot)->reading($reading)) / (2.0 * $steps[$k] * $deviation);
            }
            $terms[] = [(ShotTrace::of($lens, $shot)->reading($reading) - $value) / $deviation, $row];
        }

        return $terms;
    }

    /** @return list<list<float>> */
    private function covariance(): array
    {
        $inverse = Cholesky::inverse(Cholesky::factor($this->normal()[0]));
        $n = count($this->from);
        for ($k = $this->free; $k < $n; $k++) {
            $inverse = array_map(static fn (array $row): array => [...$row, 0.0], $inverse);
            $inverse[] = array_fill(0, $k + 1, 0.0);
            $inverse[$k][$k] = 1.0 / ($this->weights[$k] * $this->weights[$k]);
        }

        return array_map(array_values(...), $inverse);
    }
}
