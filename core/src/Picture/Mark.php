<?php

declare(strict_types=1);

namespace ZincThimble\Core\Picture;

/** One thing that is drawn of a target: an oval or a bar of one colour, at one depth, over what was drawn before. */
final readonly class Mark
{
    /** @param  array{float, float, float}  $colour  red, green, blue in linear light, 0 to 1 */
    public function __construct(
        public bool $isOval,
        /** Its middle from the target's, mm: to the right, and down. */
        public float $xMm,
        public float $yMm,
        /** From the middle of the target's depth, mm; below 0 = nearer. */
        public float $depthMm,
        /** Half of its width and of its height, mm. */
        public float $aMm,
        public float $bMm,
        /** How far its width is turned from the right to below, radians. */
        public float $turn,
        public array $colour,
    ) {
    }
}
