<?php

declare(strict_types=1);

namespace ZincThimble\Core\Optics;

/** An opening of a rig along one travel: how wide it is and how high both rays stand in it, position by position. mm. */
final class MovingOpening
{
    /**
     * @param  int  $part  the part it belongs to; -1 = the camera
     * @param  float  $radius  where it is the same at every position
     * @param  list<float>  $radii  where it isn't; [] = it is
     * @param  list<float>  $axial
     * @param  list<float>  $field
     * @param  bool  $still  whether both rays stand in it alike at every position
     */
    public function __construct(
        public readonly int $part,
        public readonly float $radius,
        public readonly array $radii,
        public readonly array $axial,
        public readonly array $field,
        public readonly bool $still = false,
    ) {
    }

    /**
     * Every opening of a rig that is cut at the part that moves, from the camera outwards.
     *
     * @return list<self>
     */
    public static function all(SplitSystem $split, MovingPart $moving): array
    {
        $rows = count($moving->y);
        $openings = [];
        foreach ($split->behindR as $j => $radius) {
            $openings[] = new self($split->behindPart[$j], $radius, [], array_fill(0, $rows, $split->behindA[$j]), array_fill(0, $rows, $split->behindF[$j]), true);
        }
        array_push($openings, ...$moving->openings);
        foreach ($split->radius as $j => $radius) {
            $openings[] = new self($split->part[$j], $radius, [], self::heights($split->alpha[$j], $moving->y, $split->beta[$j], $moving->t), self::heights($split->alpha[$j], $moving->fy, $split->beta[$j], $moving->ft));
        }

        return $openings;
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $t
     * @return list<float> `alpha y + beta t`
     */
    public static function heights(float $alpha, array $y, float $beta, array $t): array
    {
        foreach ($y as $row => $one) {
            $y[$row] = $alpha * $one + $beta * $t[$row];
        }

        return $y;
    }
}
