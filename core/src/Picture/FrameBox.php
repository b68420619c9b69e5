<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

use ZincThimble\Core\Gear\InvalidFigure;

/** A piece of a frame, at the camera's own pixels or at every so-manyth of them. */
final readonly class FrameBox
{
    /** Pixels that one piece may have. */
    public const MOST = 1_500_000;

    /**
     * @param  int  $columns  of the whole frame
     * @param  int  $every  1 = the camera's own pixels; else so many by so many of them as one
     *
     * @throws InvalidFigure names what lies outside the frame, or is too much
     */
    public function __construct(public int $columns, public int $rows, public int $x, public int $y, public int $width, public int $height, public int $every = 1)
    {
        if ($columns < 1 || $rows < 1 || $every < 1) {
            throw InvalidFigure::because('columns', 'should be 1 or more');
        }
        if ($x < 0 || $y < 0 || $width < 1 || $height < 1 || $x + $width * $every > $columns || $y + $height * $every > $rows) {
            throw InvalidFigure::because('box', sprintf('should lie within the frame of %d by %d pixels', $columns, $rows));
        }
        if ($width * $height > self::MOST) {
            throw InvalidFigure::because('box', sprintf('has more than %d pixels', self::MOST));
        }
    }

    /** So many of the camera's own pixels about a place, as far as the frame has them. */
    public static function about(int $columns, int $rows, float $x, float $y, int $width, int $height): self
    {
        $width = min($width, $columns);
        $height = min($height, $rows);

        return new self($columns, $rows, (int) max(0, min($columns - $width, round($x - $width / 2.0))), (int) max(0, min($rows - $height, round($y - $height / 2.0))), $width, $height);
    }

    /** The whole frame, so many of its pixels as one that it is no wider than that. */
    public static function whole(int $columns, int $rows, int $width): self
    {
        $every = (int) max(1, ceil($columns / $width));

        return new self($columns, $rows, 0, 0, max(1, intdiv($columns, $every)), max(1, intdiv($rows, $every)), $every);
    }
}
