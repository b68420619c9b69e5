<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/** How to get from one end to another: at once, through rings of the kit, or with one part that is missing. */
final readonly class Crossing
{
    /** @param  list<Spacer>|null  $path */
    private function __construct(
        /** How the two ends go together by themselves. */
        public Fit $fit,
        /** Rings from the kit, from the camera outwards; [] when none is needed, null when there is no way. */
        public ?array $path,
        /** The part to buy where there is no way. */
        public ?Bridge $bridge,
    ) {
    }

    /** @param  list<Part>  $kit parts at hand, each once */
    public static function of(JointEnd $front, JointEnd $rear, array $kit, ?float $nearRegisterMm = null, ?float $farRegisterMm = null): self
    {
        $path = AdapterPaths::between($front, $rear, $kit);

        return new self(
            Mating::ofEnds($front, $rear),
            $path,
            $path === null ? Bridge::between($front, $rear, $nearRegisterMm, $farRegisterMm) : null,
        );
    }
}
