<?php

declare(strict_types=1);

namespace ZincThimble\Core\Gear;

/** The part of the sensor that makes the picture: the whole of it, or a crop or video mode. */
final readonly class Frame
{
    public function __construct(
        public float $widthMm,
        public float $heightMm,
        public int $columns,
        public int $rows,
        public ?string $name = null,
        public ?float $framesPerSecond = null,
    ) {
    }

    /** A sensor or a mode: width and height, mm, above 0; columns and rows 0 where not known. */
    public static function from(Values $values): self
    {
        return new self(
            $values->float('widthMm'),
            $values->float('heightMm'),
            $values->intOr('columns', 0),
            $values->intOr('rows', 0),
            $values->stringOrNull('name'),
            $values->floatOrNull('framesPerSecond'),
        );
    }

    /** Diagonal, mm. */
    public function diagonalMm(): float
    {
        return hypot($this->widthMm, $this->heightMm);
    }

    /** Pixel pitch, mm; null when the number of columns is not known. */
    public function pitchMm(): ?float
    {
        return $this->columns > 0 ? $this->widthMm / $this->columns : null;
    }
}
