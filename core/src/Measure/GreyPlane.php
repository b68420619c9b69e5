<?php

declare(strict_types=1);

namespace ZincThimble\Core\Measure;

/** A box of a picture at the camera's own pixels: linear light, 0 to 1, row by row. */
final readonly class GreyPlane
{
    /** Shares of the grey values that count as its dark and its bright end. */
    private const END = 0.01;

    /** Clipped pixels that are too many, as a share, at either end. */
    private const CLIPPED = 0.01;

    /** Difference between the ends that is too little, of full scale. */
    private const CONTRAST = 0.15;

    /** How alike in direction changes are enough. */
    private const ALIKE = 0.3;

    /** What an 8-bit picture calls black and white, half a step within: linear light. */
    private const BLACK = 0.00015;

    private const WHITE = 0.9955;

    /**
     * @param  list<float>  $values  width times height of them
     */
    public function __construct(public int $width, public int $height, public array $values)
    {
        if ($width < 1 || $height < 1 || count($values) !== $width * $height) {
            throw new \InvalidArgumentException('A plane has as many values as pixels.');
        }
    }

    /**
     * From grey values as files have them (IEC 61966-2-1).
     *
     * @param  list<int>  $bytes  0 to 255
     */
    public static function ofSrgb(int $width, int $height, array $bytes): self
    {
        $table = array_map(self::linear(...), range(0, 255));

        return new self($width, $height, array_map(static fn (int $byte): float => $table[$byte], $bytes));
    }

    /** Linear light of an 8-bit sRGB value. */
    public static function linear(int $byte): float
    {
        $value = $byte / 255.0;

        return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
    }

    /** A piece of it; what lies outside it isn't there. */
    public function piece(int $x, int $y, int $width, int $height): self
    {
        $x = max(0, min($this->width - 1, $x));
        $y = max(0, min($this->height - 1, $y));
        $width = max(1, min($width, $this->width - $x));
        $height = max(1, min($height, $this->height - $y));
        $values = [];
        for ($row = $y; $row < $y + $height; $row++) {
            array_push($values, ...array_slice($this->values, $row * $this->width + $x, $width));
        }

        return new self($width, $height, $values);
    }

    /** Rows for columns. */
    public function turned(): self
    {
        $values = [];
        for ($x = 0; $x < $this->width; $x++) {
            for ($at = $x, $n = $this->width * $this->height; $at < $n; $at += $this->width) {
                $values[] = $this->values[$at];
            }
        }

        return new self($this->height, $this->width, $values);
    }

    /**
     * Dark and bright end, without the outermost hundredth.
     *
     * @return array{float, float}
     */
    public function ends(): array
    {
        $counts = array_fill(0, 1001, 0);
        foreach ($this->values as $value) {
            $counts[(int) (1000.0 * max(0.0, min(1.0, $value)))]++;
        }
        $few = self::END * count($this->values);
        [$dark, $bright] = [0, 1000];
        for ($sum = $counts[0]; $sum < $few; $sum += $counts[++$dark]) {
        }
        for ($sum = $counts[1000]; $sum < $few; $sum += $counts[--$bright]) {
        }

        return [$dark / 1000.0, $bright / 1000.0];
    }

    /**
     * @throws CantMeasure when it is clipped, or too flat (OPTICS.md, "Measuring pictures")
     */
    public function mustBeReadable(): void
    {
        $black = $white = 0;
        foreach ($this->values as $value) {
            $black += $value <= self::BLACK ? 1 : 0;
            $white += $value >= self::WHITE ? 1 : 0;
        }
        $most = self::CLIPPED * count($this->values);
        if ($white > $most) {
            throw CantMeasure::because('Over one in a hundred pixels are blown out.', 'Expose a stop less.');
        }
        if ($black > $most) {
            throw CantMeasure::because('Over one in a hundred pixels are pure black.', 'Expose a stop more.');
        }
        [$dark, $bright] = $this->ends();
        if ($bright - $dark < self::CONTRAST) {
            throw CantMeasure::because('There is too little contrast.', 'Light it more evenly from the side, or draw the box closer about it.');
        }
    }

    /** Each so-many by so-many pixels as one. */
    public function coarser(int $times): self
    {
        [$w, $h] = [intdiv($this->width, $times), intdiv($this->height, $times)];
        $values = [];
        for ($y = 0; $y < $h; $y++) {
            $row = array_fill(0, $w, 0.0);
            for ($j = 0; $j < $times; $j++) {
                $at = ($y * $times + $j) * $this->width;
                for ($x = 0; $x < $w; $x++) {
                    for ($i = 0; $i < $times; $i++) {
                        $row[$x] += $this->values[$at++];
                    }
                }
            }
            foreach ($row as $sum) {
                $values[] = $sum / ($times * $times);
            }
        }

        return new self($w, $h, $values);
    }

    /**
     * Direction in which it changes most (structure tensor), radians from the row, between a quarter turn either way; and how alike the
     * changes are, 0 to 1. What is blurred hides under noise at its own pixels: where they aren't alike, it is looked at more coarsely. Only
     * then: what is finer than the coarse pixels would lie about its direction.
     *
     * @return array{float, float}
     */
    public function direction(): array
    {
        $best = $this->changes();
        foreach ([4, 16] as $times) {
            if ($best[1] < self::ALIKE && min($this->width, $this->height) >= 6 * $times) {
                $coarse = $this->coarser($times)->changes();
                $best = $coarse[1] > $best[1] ? $coarse : $best;
            }
        }

        return $best;
    }

    /** @return array{float, float} */
    private function changes(): array
    {
        $xx = $yy = $xy = 0.0;
        $w = $this->width;
        $v = $this->values;
        // Some hundred thousand places tell it as well as all.
        $step = max(1, (int) ($this->height * $w / 150_000));
        for ($y = 1; $y < $this->height - 1; $y += $step) {
            for ($at = $y * $w + 1, $end = $y * $w + $w - 1; $at < $end; $at++) {
                $gx = $v[$at + 1] - $v[$at - 1];
                $gy = $v[$at + $w] - $v[$at - $w];
                $xx += $gx * $gx;
                $yy += $gy * $gy;
                $xy += $gx * $gy;
            }
        }
        $sum = $xx + $yy;

        return [0.5 * atan2(2.0 * $xy, $xx - $yy), $sum > 0.0 ? hypot($xx - $yy, 2.0 * $xy) / $sum : 0.0];
    }
}
