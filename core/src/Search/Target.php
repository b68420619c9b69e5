<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Optics\RayMatrix;

/** What has to be met exactly, and how far from the sensor a front assembly stands where it is. */
final readonly class Target
{
    public function __construct(public TargetKind $kind, public float $value)
    {
    }

    /** In how many ways it can be met: a magnification by the usual picture and by an upright one, a distance from the sensor by a short stack and by a long one. */
    public function ways(): int
    {
        return $this->kind === TargetKind::WorkingDistance ? 1 : 2;
    }

    /**
     * Where the rear of a front assembly stands, mm from the sensor, for the target to be met: in each way that it can be. NAN where
     * it can't in that way.
     *
     * @return list<float>
     */
    public function places(RayMatrix $matrix, float $factor, float $converterMm): array
    {
        $places = [];
        for ($way = 0; $way < $this->ways(); $way++) {
            $places[] = $this->place($matrix, $factor, $converterMm, $way);
        }

        return $places;
    }

    /**
     * The same in one way. All are roots of a line, for a distance from the sensor of a parabola.
     *
     * @param  int  $way  0 or 1
     */
    public function place(RayMatrix $matrix, float $factor, float $converterMm, int $way): float
    {
        $c = $matrix->c;
        $d = $matrix->d;
        if ($this->kind === TargetKind::Magnification) {
            $slope = $this->value / $factor;

            // The usual picture stands on its front assembly; a relayed one is upright.
            return $c === 0.0 ? NAN : (($way === 0 ? -$slope : $slope) - $d) / $c;
        }
        $a = $matrix->a;
        $b = $matrix->b;
        if ($this->kind === TargetKind::WorkingDistance) {
            $to = $matrix->last - $matrix->reduced - $this->value / $matrix->medium;
            $under = $to * $c - $a;

            return $under === 0.0 || $way !== 0 ? NAN : ($b - $to * $d) / $under;
        }
        // Before a port each reduced millimetre is so many real ones.
        $n = $matrix->medium;
        $to = $matrix->front + $n * ($matrix->last - $matrix->reduced) - $this->value + $converterMm;
        $middle = $d + $to * $c - $n * $a;
        $constant = $to * $d - $n * $b;
        if ($c === 0.0) {
            return $middle === 0.0 || $way !== 0 ? NAN : -$constant / $middle;
        }
        $root = $middle * $middle - 4.0 * $c * $constant;

        return $root < 0.0 ? NAN : (-$middle + ($way === 0 ? -1.0 : 1.0) * sqrt($root)) / (2.0 * $c);
    }
}
