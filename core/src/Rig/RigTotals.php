<?php

declare(strict_types=1);

namespace ZincThimble\Core\Rig;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;

/** What a rig's parts add up to, whatever they are set to. */
final readonly class RigTotals
{
    private function __construct(
        /** Sum of the known masses, g; null when none is known. */
        public ?float $massG,
        /** Sum of the known prices; null when none is known. */
        public ?float $price,
        /** Joints to make by hand: one a part, but for a lens that does not come off. */
        public int $joints,
        /** Place of the lens whose diaphragm is in use. */
        public ?int $workingLens,
        public ApertureWorked $coupling,
        /** Whether any part can be held by a foot of its own. */
        public bool $hasFoot,
        /** Of a working diaphragm that is stuck: whether it stays wide open, else at its smallest. */
        public bool $stuckOpen,
    ) {
    }

    /** @param  list<Part>  $chain */
    public static function of(Camera $camera, array $chain, Setting $setting): self
    {
        $mass = $camera->massG;
        $price = $camera->price;
        $joints = 0;
        $working = null;
        $foot = false;
        foreach ($chain as $i => $part) {
            $mass = $part->identity->massG === null ? $mass : ($mass ?? 0.0) + $part->identity->massG;
            $price = $part->identity->price === null ? $price : ($price ?? 0.0) + $part->identity->price;
            $joints += $part->identity->rear->main()?->type === JointType::Fixed ? 0 : 1;
            $foot = $foot || $part->identity->footMm !== null;
            if ($part instanceof Lens) {
                $working = $setting->working ?? $working ?? $i;
            }
        }

        $lens = $working === null ? null : $chain[$working];

        return new self($mass, $price, $joints, $working, ApertureWorked::through($camera, $chain, $working, $setting->makeshift), $foot, $lens instanceof Lens && $lens->aperture->restsOpen());
    }
}
