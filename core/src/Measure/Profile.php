<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** A plane averaged along straight lines of one direction: what is left is how it changes across them. */
final readonly class Profile
{
    /** Bins that fewer pixels stand in than this share of the fullest are its frayed ends. */
    private const FULL = 0.3;

    /**
     * @param  list<float>  $values  by bin
     * @param  list<float>  $along  middle of the pixels in each, along the lines, pixels from the middle of the plane
     */
    private function __construct(
        /** Across the lines, radians from the row. */
        public float $angle,
        /** Pixels that a bin is wide. */
        public float $bin,
        /** Where the middle of the first bin is, pixels from the middle of the plane. */
        public float $from,
        public array $values,
        private array $along = [],
    ) {
    }

    /** @param  int  $every  only each so-manyth row */
    public static function across(GreyPlane $plane, float $angle, float $bin, int $every = 1): self
    {
        return self::of($plane, $angle, $bin, $every, 0);
    }

    /**
     * One of each half of the plane, cut across the lines through its middle.
     *
     * @return array{self, self}
     */
    public static function halves(GreyPlane $plane, float $angle, float $bin): array
    {
        return [self::of($plane, $angle, $bin, 1, -1), self::of($plane, $angle, $bin, 1, 1)];
    }

    /** Where the pixels of a half lie along the lines, at a place across them. */
    public function along(float $k): float
    {
        return $this->along[(int) round($k)] ?? 0.0;
    }

    /** @param  int  $side  -1, 1 = that half alone */
    private static function of(GreyPlane $plane, float $angle, float $bin, int $every, int $side): self
    {
        [$cos, $sin] = [cos($angle) / $bin, sin($angle) / $bin];
        $w = $plane->width;
        $reach = (abs($cos) * $w + abs($sin) * $plane->height) / 2.0;
        $n = (int) ceil(2.0 * $reach) + 3;
        $sum = $count = $far = array_fill(0, $n, 0.0);
        [$alongX, $alongY] = [-sin($angle), cos($angle)];
        $values = $plane->values;
        for ($y = 0; $y < $plane->height; $y += $every) {
            $u = $reach + 1.0 + ($y - ($plane->height - 1) / 2.0) * $sin - ($w - 1) / 2.0 * $cos;
            $v = ($y - ($plane->height - 1) / 2.0) * $alongY - ($w - 1) / 2.0 * $alongX;
            for ($at = $y * $w, $end = $at + $w; $at < $end; $at++, $u += $cos, $v += $alongX) {
                if ($side * $v < 0.0) {
                    continue;
                }
                // Shared between the two bins that it stands between.
                $k = (int) $u;
                $part = $u - $k;
                $count[$k] += 1.0 - $part;
                $count[$k + 1] += $part;
                $value = $values[$at];
                $sum[$k] += (1.0 - $part) * $value;
                $sum[$k + 1] += $part * $value;
                if ($side !== 0) {
                    $far[$k] += (1.0 - $part) * $v;
                    $far[$k + 1] += $part * $v;
                }
            }
        }
        $least = self::FULL * max([1.0, ...$count]);
        [$first, $last] = [0, $n - 1];
        while ($count[$first] < $least) {
            $first++;
        }
        while ($count[$last] < $least) {
            $last--;
        }
        $means = $along = [];
        for ($k = $first; $k <= $last; $k++) {
            $means[] = $count[$k] > 0.0 ? $sum[$k] / $count[$k] : ($means[$k - $first - 1] ?? 0.0);
            $along[] = $count[$k] > 0.0 ? $far[$k] / $count[$k] : 0.0;
        }

        return new self($angle, $bin, ($first - $reach - 1.0) * $bin, $means, $along);
    }

    /** How much there is in it: the sum of the squares of its changes over two bins. */
    public function liveliness(): float
    {
        $sum = 0.0;
        for ($k = 1, $n = count($this->values) - 1; $k < $n; $k++) {
            $sum += ($this->values[$k + 1] - $this->values[$k - 1]) ** 2;
        }

        return $sum / max(1, count($this->values));
    }

    /** Pixels that it reaches. */
    public function length(): float
    {
        return (count($this->values) - 1) * $this->bin;
    }

    /** Its value at a place in bins, between them straight. */
    public function at(float $k): float
    {
        $i = max(0, min(count($this->values) - 2, (int) $k));
        $part = $k - $i;

        return (1.0 - $part) * $this->values[$i] + $part * $this->values[$i + 1];
    }

    /**
     * The same with bins of so many of these together.
     *
     * @param  positive-int  $times
     */
    public function coarser(int $times): self
    {
        $values = [];
        foreach (array_chunk($this->values, $times) as $chunk) {
            if (count($chunk) === $times) {
                $values[] = array_sum($chunk) / $times;
            }
        }

        return new self($this->angle, $this->bin * $times, $this->from + ($times - 1) / 2.0 * $this->bin, $values);
    }
}
