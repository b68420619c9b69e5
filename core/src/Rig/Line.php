<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\InvalidFigure;

/** A straight line through measured points by weighted least squares, with its covariance. */
final readonly class Line
{
    private function __construct(
        public float $slope,
        public float $intercept,
        public float $slopeVariance,
        public float $interceptVariance,
        public float $covariance,
    ) {
    }

    /**
     * With more than two points the errors grow to what the points' own scatter says, where that is more than theirs.
     *
     * @param  non-empty-list<array{float, float, float}>  $points  x, y, and the half-width of y, above 0
     *
     * @throws InvalidFigure names `shots` when they don't lie apart
     */
    public static function through(array $points): self
    {
        $sum = $sumX = $sumY = 0.0;
        foreach ($points as [$x, $y, $half]) {
            $weight = 1.0 / ($half * $half);
            $sum += $weight;
            $sumX += $weight * $x;
            $sumY += $weight * $y;
        }
        $meanX = $sumX / $sum;
        $meanY = $sumY / $sum;
        $xx = $xy = 0.0;
        foreach ($points as [$x, $y, $half]) {
            $weight = 1.0 / ($half * $half);
            $xx += $weight * ($x - $meanX) ** 2;
            $xy += $weight * ($x - $meanX) * ($y - $meanY);
        }
        $apart = max(array_column($points, 0)) - min(array_column($points, 0));
        if ($apart < 0.5) {
            throw InvalidFigure::because('shots', 'stand on the same extension; two shots tell the focal length only when they are some millimetres apart');
        }
        $slope = $xy / $xx;
        $intercept = $meanY - $slope * $meanX;
        $scatter = 0.0;
        foreach ($points as [$x, $y, $half]) {
            $scatter += (($y - $intercept - $slope * $x) / $half) ** 2;
        }
        $grow = count($points) > 2 ? max(1.0, $scatter / (count($points) - 2)) : 1.0;

        return new self($slope, $intercept, $grow / $xx, $grow * (1.0 / $sum + $meanX * $meanX / $xx), -$grow * $meanX / $xx);
    }

    /** Standard error of `a x slope + b x intercept`. */
    public function error(float $a, float $b): float
    {
        return sqrt(max(0.0, $a * $a * $this->slopeVariance + $b * $b * $this->interceptVariance + 2.0 * $a * $b * $this->covariance));
    }
}
