<?php

declare(strict_types=1);

namespace ZincThimble\Core\Reading;

/** Moving the slice through a deep subject (OPTICS.md, "Stack"). */
final readonly class Stack
{
    /** Usual overlap of two slices, 0.2 to 0.3. */
    public const OVERLAP = 0.25;

    private function __construct(
        /** Depth covered by one frame, mm. */
        public float $depthMm,
        /** Way from one frame to the next, mm: depth x (1 - overlap). */
        public float $stepMm,
        public int $frames,
        /** Turns of the rail's screw per step; null = the rail is not known. */
        public ?float $turns,
        /** Duration, s: frames x (settle + exposure + recycle). */
        public float $seconds,
        /** How much the scale changes over the stack, as a share: the crop margin to give; null = telecentric. */
        public ?float $scaleChange,
    ) {
    }

    /**
     * @param  float  $z  depth of the subject with its sag, mm
     * @param  float  $depth  depth of one slice, mm, above 0
     * @param  ?float  $pupil  entrance pupil to subject, mm; null = telecentric
     * @param  ?float  $pitch  rail, mm per turn
     */
    public static function through(float $z, float $depth, float $overlap, ?float $pupil, ?float $pitch, float $secondsPerFrame): self
    {
        $frames = self::frames($z, $depth, $overlap);
        $step = $depth * (1.0 - $overlap);

        return new self(
            $depth,
            $step,
            $frames,
            $pitch === null || $pitch <= 0.0 ? null : $step / $pitch,
            $frames * $secondsPerFrame,
            $pupil === null || $pupil === 0.0 ? null : abs($z / $pupil),
        );
    }

    /** ceil(Z / step) + 1. */
    public static function frames(float $z, float $depth, float $overlap): int
    {
        $step = $depth * (1.0 - $overlap);

        return $step <= 0.0 ? PHP_INT_MAX : (int) min(1e9, ceil($z / $step - 1e-9)) + 1;
    }

    /**
     * The depth that stacks and findings go by, row by row: geometric, or geometric and wave depth together.
     *
     * @return list<?float>
     */
    public static function depths(ReadingTable $columns, bool $total): array
    {
        $depths = $columns->depthOfFieldMm;
        if (! $total) {
            return $depths;
        }
        foreach ($columns->waveDepthMm as $row => $wave) {
            $depths[$row] = $depths[$row] === null || $wave === null ? null : $depths[$row] + $wave;
        }

        return array_values($depths);
    }
}
