<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

use ZincThimble\Core\Optics\AxialSampler;
use ZincThimble\Core\Optics\Image;
use ZincThimble\Core\Rig\Travel;

/**
 * The extremes over more controls than a grid can be laid through: a fixed number of corners and places between is looked at, and from
 * the best of them each control is moved by itself, in ever smaller steps. What a control does to the axial ray is a straight line or
 * nearly one, so magnification and working distance are extreme at corners; only a subject distance has its least in between.
 *
 * Found to a thousandth nearly always, to a few hundredths where the image itself ends aslant to all controls.
 *
 * The work is the same for six controls and for forty: at most CORNERS + BETWEEN places and STARTS searches for each extreme.
 */
final class RangeOfMany
{
    private const CORNERS = 1024;

    private const BETWEEN = 768;

    private const STARTS = 3;

    private const ROUNDS = 4;

    private const FINEST = 1e-6;

    /** @var array{?float, ?float, ?float} magnification, working and subject distance, mm */
    public array $least = [null, null, null];

    /** @var array{?float, ?float, ?float} */
    public array $greatest = [null, null, null];

    /** Whether it is focused at infinity or past it somewhere. */
    public bool $infinite = false;

    /** Whether the axial ray was seen to fall towards the axis in front, and to rise from it: on the way from one to the other it is parallel. */
    private bool $falls = false;

    private bool $rises = false;

    /**
     * @param  list<Travel>  $travels
     * @param  bool  $rough  to a few hundredths, at a tenth of the work: for trying many rigs out
     */
    public function __construct(private readonly AxialSampler $sampler, private readonly array $travels, private readonly bool $rough = false)
    {
        $positions = $this->positions();
        $values = [];
        foreach ($positions as $n => $position) {
            $here = $this->at($position);
            if ($here !== null) {
                $values[$n] = $here;
            }
        }
        if ($values === []) {
            $this->infinite = false;

            return;
        }
        foreach ([0, 1, 2] as $q) {
            $column = array_map(static fn (array $here): float => $here[$q], $values);
            asort($column);
            $order = array_keys($column);
            $this->least[$q] = $this->best($positions, array_slice($order, 0, $rough ? 1 : self::STARTS), $q, -1.0);
            $this->greatest[$q] = $this->best($positions, array_slice(array_reverse($order), 0, $rough ? 1 : self::STARTS), $q, 1.0);
        }
        $this->infinite = $this->infinite || $this->falls && $this->rises;
    }

    /** @return list<list<float>> corners first: all of them, or as many as there is room for, spread evenly */
    private function positions(): array
    {
        $many = count($this->travels);
        $positions = [];
        $corners = $this->rough ? 96 : self::CORNERS;
        $all = $many < 31 && 1 << $many <= $corners;
        for ($n = 0; $n < ($all ? 1 << $many : $corners); $n++) {
            $position = [];
            foreach ($this->travels as $a => $travel) {
                // The two opposite corners first, then whichever way the bits of a scrambled number point.
                $up = $all ? ($n >> $a & 1) === 1 : match ($n) {
                    0 => false,
                    1 => true,
                    default => (hexdec(substr(hash('crc32b', $n.' '.$a), 0, 4)) & 1) === 1,
                };
                $position[] = $up ? $travel->greatest : $travel->least;
            }
            $positions[] = $position;
        }
        for ($n = 1; $n <= ($this->rough ? 64 : self::BETWEEN); $n++) {
            $position = [];
            foreach ($this->travels as $a => $travel) {
                // Roots of odd numbers that are no squares spread places evenly in any number of directions.
                $share = fmod(0.5 + $n * sqrt(2.0 * $a + 2.1), 1.0);
                $position[] = $travel->least + ($travel->greatest - $travel->least) * $share;
            }
            $positions[] = $position;
        }

        return $positions;
    }

    /**
     * @param  list<list<float>>  $positions
     * @param  list<int>  $starts
     */
    private function best(array $positions, array $starts, int $q, float $sign): ?float
    {
        $best = null;
        foreach ($starts as $n) {
            $value = $this->climb($positions[$n], $q, $sign);
            if ($value !== null && ($best === null || $sign * $value > $sign * $best)) {
                $best = $value;
            }
        }

        return $best;
    }

    /** @param  list<float>  $position */
    private function climb(array $position, int $q, float $sign): ?float
    {
        $best = $this->at($position)[$q] ?? null;
        $try = 0;
        for ($share = 1.0; $best !== null && $share > ($this->rough ? 0.02 : self::FINEST); $share *= 0.4) {
            for ($round = 0; $round < self::ROUNDS; $round++) {
                $better = false;
                foreach ($this->ways($this->rough ? 0 : ++$try) as $way) {
                    $there = $position;
                    foreach ($way as $a => $sense) {
                        $travel = $this->travels[$a];
                        $there[$a] = $travel->clamp($position[$a] + $sense * $share * ($travel->greatest - $travel->least));
                    }
                    $here = $there === $position ? null : $this->at($there)[$q] ?? null;
                    if ($here !== null && $sign * $here > $sign * $best) {
                        $best = $here;
                        $position = $there;
                        $better = true;
                    }
                }
                if (! $better) {
                    break;
                }
            }
        }

        return $best;
    }

    /**
     * Along each control by itself, and twice as many ways aslant, other ones at every try: where the image ends, the edge that the best
     * place lies on may run in any direction.
     *
     * @return iterable<array<int, float>>
     */
    private function ways(int $try): iterable
    {
        $many = count($this->travels);
        for ($a = 0; $a < $many; $a++) {
            yield [$a => 1.0];
            yield [$a => -1.0];
        }
        for ($k = 1; $k <= ($this->rough ? 0 : 2 * $many); $k++) {
            $way = [];
            for ($a = 0; $a < $many; $a++) {
                $way[$a] = 2.0 * fmod(0.5 + (2 * $many * $try + $k) * sqrt(2.0 * $a + 2.1), 1.0) - 1.0;
            }
            yield $way;
        }
    }

    /**
     * @param  array<int, float>  $position
     * @return array{float, float, float}|null null = no real image there
     */
    private function at(array $position): ?array
    {
        $this->sampler->sample($position);
        $this->infinite = $this->infinite || $this->sampler->image === Image::AtInfinity;
        $this->falls = $this->falls || $this->sampler->t < 0.0;
        $this->rises = $this->rises || $this->sampler->t > 0.0;

        return $this->sampler->image === Image::Real ? [$this->sampler->magnification, $this->sampler->workingDistanceMm, $this->sampler->subjectDistanceMm] : null;
    }
}
