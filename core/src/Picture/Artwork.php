<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** What there is to be seen of a target, mark by mark, what is behind first: what the made-up camera photographs. */
final class Artwork
{
    /** An edge leans so far off the columns of pixels, a ruler off their rows. */
    public const EDGE_DEG = 5.0;

    public const RULER_DEG = 1.5;

    /** More marks than these aren't drawn: what is finer than they could show is grey. */
    private const MOST = 6000;

    /** @var list<Mark> */
    private array $marks = [];

    /** @param  array{float, float, float}  $ground  behind everything, linear light */
    private function __construct(private readonly Target $target, public readonly array $ground)
    {
    }

    /** @param  float  $fieldMm  width that is covered: what lies far outside it isn't drawn */
    public static function of(Target $target, float $fieldMm): self
    {
        $self = new self($target, match ($target->kind) {
            TargetKind::Seed => self::colour(0xDCDCD2), TargetKind::Capsule => self::colour(0xCFD9CF), TargetKind::Tooth => self::colour(0x2D3331),
            TargetKind::Ruler, TargetKind::Rule => self::grey(0.72), TargetKind::Edge => self::grey(0.7), default => self::colour(0xD5D8D3),
        });
        match ($target->kind) {
            TargetKind::Ruler => $self->lines($target->divisionMm, deg2rad(self::RULER_DEG)),
            TargetKind::Rule => $self->lines($target->divisionMm * cos(deg2rad(Target::LEAN_DEG)), 0.0),
            TargetKind::Edge => $self->bar($target->widthMm, 0.0, $target->widthMm, 2.0 * $target->widthMm, deg2rad(self::EDGE_DEG), self::grey(0.08)),
            TargetKind::Seed => $self->seed(),
            TargetKind::Capsule => $self->capsule(),
            TargetKind::Tooth => $self->tooth(),
            TargetKind::Dots => $self->dots($fieldMm),
            default => $self->spots(),
        };

        return $self;
    }

    /** @return list<Mark> */
    public function marks(): array
    {
        return $this->marks;
    }

    /** Whether there is no colour in it. */
    public function isGrey(): bool
    {
        return $this->target->kind->isMeasured();
    }

    /** How far a place of the target is from the middle of its depth, mm; below 0 = nearer. */
    private function depthAt(float $x, float $y): float
    {
        ['w' => $w, 'h' => $h, 'z' => $z] = ['w' => $this->target->widthMm / 2.0, 'h' => $this->target->heightMm / 2.0, 'z' => $this->target->depthMm];
        $rim = match ($this->target->shape) {
            Shape::Sheet => ($x / $w + 1.0) / 2.0,
            Shape::Dome => 1.0 - sqrt(max(0.0, 1.0 - min(1.0, ($x / $w) ** 2 + ($y / $h) ** 2))),
            Shape::Cylinder => 1.0 - sqrt(max(0.0, 1.0 - min(1.0, ($x / $w) ** 2))),
            Shape::Step => 0.0,
        };

        return ($rim - 0.5) * $z;
    }

    /** Lines across a ruler or a rule; every fifth and tenth is longer. */
    private function lines(float $apart, float $turn): void
    {
        $high = $this->target->heightMm;
        $count = (int) floor($this->target->widthMm / 2.0 / $apart);
        for ($k = -$count; $k <= $count; $k++) {
            $long = $turn === 0.0 ? 0.9 : ($k % 10 === 0 ? 0.9 : ($k % 5 === 0 ? 0.72 : 0.55));
            $x = $k * $apart;
            // All begin at one edge of it.
            $y = $high * ($long - 0.9) / 2.0;
            [$cos, $sin] = [cos($turn), sin($turn)];
            $this->marks[] = new Mark(false, $x * $cos - $y * $sin, $x * $sin + $y * $cos, $this->depthAt($x, 0.0), 0.13 * $apart, $high * $long / 2.0, $turn, self::grey(0.06));
        }
    }

    private function seed(): void
    {
        [$w, $h] = [$this->target->widthMm, $this->target->heightMm];
        $this->base(self::colour(0x4A3413), 1.0);
        $this->base(self::colour(0xA9834A), 0.97);
        $pitch = 0.2;
        $n = 0;
        for ($row = -(int) ceil($h / $pitch); $row <= $h / $pitch; $row++) {
            for ($k = -(int) ceil($w / $pitch); $k <= $w / $pitch; $k++) {
                $n++;
                $x = ($k + ($row % 2 === 0 ? 0.0 : 0.5) + 0.2 * (self::chance($n) - 0.5)) * $pitch * 1.15;
                $y = ($row + 0.2 * (self::chance($n + 7) - 0.5)) * $pitch * 0.7;
                if ((2.0 * $x / $w) ** 2 + (2.0 * $y / $h) ** 2 > 0.94) {
                    continue;
                }
                $turn = atan2($y, $x) + 1.2 + self::chance($n + 3);
                $this->oval($x, $y, 0.075, 0.038, $turn, self::colour(0x543C18));
                $this->oval($x - 0.015, $y - 0.015, 0.03, 0.01, $turn, self::colour(0xD9BD84));
            }
        }
    }

    private function capsule(): void
    {
        [$w, $h] = [$this->target->widthMm, $this->target->heightMm];
        $top = -0.14 * $h;
        $this->oval(0.0, 0.18 * $h, 0.46 * $w, 0.33 * $h, 0.0, self::colour(0x7D7F35));
        for ($k = -9; $k <= 9; $k++) {
            $this->oval($k / 9.0 * 0.38 * $w, 0.16 * $h, 0.008, 0.26 * $h, -0.12 * $k / 9.0, self::colour(0x55571C));
        }
        $this->bar(0.0, $top, 0.38 * $w, 0.05, 0.0, self::colour(0x9D4F1F));
        for ($k = 0; $k < 15; $k++) {
            $x = ($k / 14.0 - 0.5) * $w * 0.7;
            $this->oval($x * 1.08, $top - 0.17 * $h, 0.036, 0.18 * $h, 0.12 * $x / $w, self::colour($k % 2 === 0 ? 0xD88F3D : 0xB86E27));
            for ($n = 1; $n < 9; $n++) {
                $this->bar($x * (1.0 + 0.018 * $n), $top - 0.04 - $n * 0.085, 0.02 - 0.002 * $n, 0.007, 0.0, self::colour(0x6D3413));
            }
        }
    }

    private function tooth(): void
    {
        [$w, $h, $z] = [$this->target->widthMm, $this->target->heightMm, $this->target->depthMm / 2.0];
        for ($n = 0; $n < 60; $n++) {
            $this->marks[] = new Mark(false, (self::chance($n) - 0.5) * 24.0, (self::chance($n + 91) - 0.5) * 18.0, $z, 0.25, 0.03, 0.0, self::colour(0x3D4441));
        }
        $face = function (float $x, float $y, float $a, float $b, int $colour) use ($z): void {
            $this->marks[] = new Mark(false, $x, $y, -$z, $a, $b, 0.0, self::colour($colour));
        };
        $face(0.0, 0.3 * $h, 0.5 * $w, 0.2 * $h, 0xC39B43);
        foreach ([[-0.36, 0.5], [0.0, 0.24], [0.36, 0.5]] as [$at, $high]) {
            $face($at * $w, $h * (0.12 - $high / 2.0), 0.08 * $w, $h * $high / 2.0, 0xC39B43);
        }
        for ($n = 0; $n < 160; $n++) {
            $face((self::chance($n) - 0.5) * $w * 0.94, $h * (0.18 + 0.3 * self::chance($n + 40)), (0.3 + self::chance($n + 5)) / 2.0, 0.006 + 0.015 * self::chance($n + 9), $n % 3 === 0 ? 0x8A6722 : 0xE0C481);
        }
        for ($n = 0; $n < 40; $n++) {
            $this->marks[] = new Mark(true, (self::chance($n) - 0.5) * $w * 0.15, -0.1 * $h + 0.25 * self::chance($n + 60), -$z, 0.06, 0.03, 0.0, self::colour(0x4D8B76));
        }
    }

    private function dots(float $fieldMm): void
    {
        [$w, $h] = [$this->target->widthMm / 2.0, $this->target->heightMm / 2.0];
        $this->bar(0.0, 0.0, $w, $h, 0.0, self::colour(0xF2F0E6));
        $pitch = 0.17;
        [$mx, $my] = [min($w, 0.6 * $fieldMm), min($h, 0.6 * $fieldMm)];
        $reach = (int) ceil(($mx + $my) / $pitch) + 1;
        // A screen so fine is grey to any camera that covers so much of it.
        $pitch *= max(1, (int) ceil(sqrt(8.0 * $mx * $my / $pitch ** 2 / self::MOST)));
        $reach = (int) min($reach, ceil(($mx + $my) / $pitch) + 1);
        for ($u = -$reach; $u <= $reach; $u++) {
            for ($v = -$reach; $v <= $reach; $v++) {
                $x = ($u - $v) * $pitch / M_SQRT2;
                $y = ($u + $v) * $pitch / M_SQRT2;
                if (abs($x) <= $mx && abs($y) <= $my) {
                    $r = $pitch * sqrt((0.12 + 0.6 * (0.5 + 0.5 * sin(0.9 * $x) * cos(0.7 * $y))) / M_PI);
                    $this->oval($x, $y, $r, $r, 0.0, self::colour(0x23282B));
                }
            }
        }
    }

    private function spots(): void
    {
        [$w, $h] = [$this->target->widthMm, $this->target->heightMm];
        if ($this->target->shape === Shape::Sheet) {
            $this->bar(0.0, 0.0, $w / 2.0, $h / 2.0, 0.0, self::colour(0x8F9A86));
        } else {
            $this->base(self::colour(0x8F9A86), 1.0);
        }
        foreach ([[26, $w / 16.0, 0x6D7A66], [120, $w / 50.0, 0x4C5948], [700, $w / 160.0, 0x2C3A2D]] as [$count, $size, $colour]) {
            for ($n = 0; $n < $count; $n++) {
                $x = (self::chance($n + $count) - 0.5) * $w;
                $y = (self::chance($n + 2 * $count + 0.5) - 0.5) * $h;
                if ($this->target->shape === Shape::Sheet || (2.0 * $x / $w) ** 2 + (2.0 * $y / $h) ** 2 <= 0.93) {
                    $this->oval($x, $y, $size * (0.5 + 0.5 * self::chance($n + 11)), $size * 0.4, self::chance($n + 17) * 3.0, self::colour($colour));
                }
            }
        }
    }

    /**
     * The body of something round: rings of it, each at its own depth, the rim first.
     *
     * @param  array{float, float, float}  $colour
     */
    private function base(array $colour, float $share): void
    {
        [$a, $b] = [$this->target->widthMm / 2.0 * $share, $this->target->heightMm / 2.0 * $share];
        foreach ([1.0, 0.9, 0.75, 0.5, 0.25] as $ring) {
            $this->marks[] = new Mark(true, 0.0, 0.0, $this->depthAt($a * $ring, 0.0), $a * $ring, $b * $ring, 0.0, $colour);
        }
    }

    /** @param  array{float, float, float}  $colour */
    private function oval(float $x, float $y, float $a, float $b, float $turn, array $colour): void
    {
        $this->marks[] = new Mark(true, $x, $y, $this->depthAt($x, $y), $a, $b, $turn, $colour);
    }

    /** @param  array{float, float, float}  $colour */
    private function bar(float $x, float $y, float $a, float $b, float $turn, array $colour): void
    {
        $this->marks[] = new Mark(false, $x, $y, $this->depthAt($x, $y), $a, $b, $turn, $colour);
    }

    /** @return array{float, float, float} linear light */
    private static function colour(int $srgb): array
    {
        $linear = static fn (int $byte): float => $byte <= 10 ? $byte / 3294.6 : (($byte / 255.0 + 0.055) / 1.055) ** 2.4;

        return [$linear($srgb >> 16 & 255), $linear($srgb >> 8 & 255), $linear($srgb & 255)];
    }

    /** @return array{float, float, float} */
    private static function grey(float $light): array
    {
        return [$light, $light, $light];
    }

    /** A number from 0 to 1 that goes with another: the same picture every time. */
    private static function chance(float $n): float
    {
        $x = sin($n * 12.9898 + 4.1414) * 43758.5453;

        return $x - floor($x);
    }
}
