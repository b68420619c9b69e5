<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Truth;

/**
 * A lens of real glass, followed by a ray surface by surface with Snell's law for small angles: what a rig really does. Shares nothing
 * with the core, not even which way a ray goes: here it enters at the subject. mm.
 */
final readonly class Glass
{
    /**
     * @param  list<array{float, float, float}>  $surfaces  from the subject's side: radius (0 = flat), way on to the next, index on that way
     * @param  int  $stop  the surface the diaphragm stands at
     * @param  ?array{int, int}  $moving  the surfaces of the group that focuses, first and last; null = the whole lens moves
     * @param  float  $shift  how far that group has moved towards the sensor
     */
    public function __construct(public array $surfaces, public int $stop, public ?array $moving = null, public float $shift = 0.0)
    {
    }

    /** All lengths times a factor. */
    public function scaled(float $factor): self
    {
        return new self(
            array_map(static fn (array $s): array => [$s[0] * $factor, $s[1] * $factor, $s[2]], $this->surfaces), $this->stop, $this->moving, $this->shift * $factor,
        );
    }

    /** The same lens with its focusing group moved towards the sensor. */
    public function focused(float $shift): self
    {
        return new self($this->surfaces, $this->stop, $this->moving, $shift);
    }

    /** Vertex of each surface, from the first one towards the sensor. @return list<float> */
    public function places(): array
    {
        $places = [];
        $z = 0.0;
        foreach ($this->surfaces as $k => [, $way]) {
            $places[] = $z + ($this->moving !== null && $k >= $this->moving[0] && $k <= $this->moving[1] ? $this->shift : 0.0);
            $z += $way;
        }

        return $places;
    }

    public function length(): float
    {
        $places = $this->places();

        return $places[count($places) - 1] - $places[0];
    }

    /**
     * A ray of height y at the first surface and slope u before it.
     *
     * @return array{float, float, float} height at the last surface, slope behind it, height at the stop
     */
    public function follow(float $y, float $u): array
    {
        $places = $this->places();
        $index = 1.0;
        $atStop = $y;
        foreach ($this->surfaces as $k => [$radius, , $next]) {
            if ($k > 0) {
                $y += $u * ($places[$k] - $places[$k - 1]);
            }
            if ($k === $this->stop) {
                $atStop = $y;
            }
            // n' u' = n u - y (n' - n) / r.
            $u = ($index * $u - ($radius === 0.0 ? 0.0 : $y * ($next - $index) / $radius)) / $next;
            $index = $next;
        }

        return [$y, $u, $atStop];
    }

    public function focalLength(): float
    {
        return -1.0 / $this->follow(1.0, 0.0)[1];
    }

    /** Last surface to the focus of what is far away. */
    public function backFocus(): float
    {
        [$y, $u] = $this->follow(1.0, 0.0);

        return -$y / $u;
    }

    /** Principal gap as the field counts it: how much further from the sensor the subject's principal plane stands. */
    public function principalGap(): float
    {
        $f = $this->focalLength();
        $turned = $this->turned();

        // Image-side plane: f before the back focus; subject-side plane: f behind the front one.
        return $this->length() + $this->backFocus() + $turned->backFocus() - 2.0 * $f;
    }

    /** Exit over entrance pupil, both as wide as they look from far away. */
    public function pupilRatio(): float
    {
        // What comes in parallel and just fills the stop is as wide as the entrance pupil; from behind likewise.
        return $this->follow(1.0, 0.0)[2] / $this->turned()->follow(1.0, 0.0)[2];
    }

    /** The same lens the other way round. */
    public function turned(): self
    {
        $n = count($this->surfaces);
        $places = $this->places();
        $turned = [];
        for ($k = $n - 1; $k >= 0; $k--) {
            $before = $k === 0 ? 1.0 : $this->surfaces[$k - 1][2];
            $turned[] = [-$this->surfaces[$k][0], $k === 0 ? 0.0 : $places[$k] - $places[$k - 1], $before];
        }

        return new self($turned, $n - 1 - $this->stop);
    }

    /**
     * In front of a sensor so far behind its last surface: magnification, and from its first surface to what is sharp.
     *
     * @return array{float, float}
     */
    public function image(float $behind): array
    {
        // The way back: a ray from the middle of the sensor, through the lens turned round.
        [$y, $u] = $this->turned()->follow($behind, 1.0);

        // Lagrange: the slope in front over the slope behind is the magnification.
        return [-$u, -$y / $u];
    }

    /**
     * Effective aperture there, with the diaphragm that lets in a beam of f/N from far away.
     *
     * @param  float  $radius  of the diaphragm
     */
    public function effective(float $behind, float $radius): float
    {
        return abs($this->turned()->follow($behind, 1.0)[2]) / (2.0 * $radius);
    }

    /** Radius of the diaphragm at a marked number. */
    public function diaphragm(float $number): float
    {
        return abs($this->follow($this->focalLength() / (2.0 * $number), 0.0)[2]);
    }
}
