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

    /**
     * Where the rear of a front assembly stands, mm from the sensor, for the target to be met: in each way that it can be. NAN where
     * it can't in that way. All are roots of a line, for a distance from the sensor of a parabola.
     *
     * @return array{float, float}
     */
    public function places(RayMatrix $matrix, float $factor, float $converterMm): array
    {
        $a = $matrix->a;
        $b = $matrix->b;
        $c = $matrix->c;
        $d = $matrix->d;
        if ($this->kind === TargetKind::Magnification) {
            $slope = $this->value / $factor;

            // The usual picture stands on its front assembly; a relayed one is upright.
            return $c === 0.0 ? [NAN, NAN] : [(-$slope - $d) / $c, ($slope - $d) / $c];
        }
        if ($this->kind === TargetKind::WorkingDistance) {
            $to = $matrix->last - $matrix->reduced - $this->value / $matrix->medium;
            $under = $to * $c - $a;

            return [$under === 0.0 ? NAN : ($b - $to * $d) / $under, NAN];
        }
        // Before a port each reduced millimetre is so many real ones.
        $n = $matrix->medium;
        $to = $matrix->front + $n * ($matrix->last - $matrix->reduced) - $this->value + $converterMm;
        $middle = $d + $to * $c - $n * $a;
        $constant = $to * $d - $n * $b;
        if ($c === 0.0) {
            return [$middle === 0.0 ? NAN : -$constant / $middle, NAN];
        }
        $root = $middle * $middle - 4.0 * $c * $constant;
        if ($root < 0.0) {
            return [NAN, NAN];
        }
        $root = sqrt($root);

        return [(-$middle - $root) / (2.0 * $c), (-$middle + $root) / (2.0 * $c)];
    }
}
