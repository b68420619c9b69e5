<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Coupling;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;

/** What a rig begins with: a camera, or a camera with a teleconverter directly on it. */
final readonly class CameraBody
{
    private function __construct(
        public Camera $camera,
        public ?Teleconverter $converter,
        /** Price of what of it is not owned yet. */
        public float $priceToBuy,
    ) {
    }

    /** @return list<self> every one that the kit has, plain cameras first */
    public static function all(SearchKit $kit): array
    {
        $bodies = [];
        foreach ($kit->cameras as $c => $camera) {
            $bodies[] = new self($camera, null, $kit->cameraPriceToBuy[$c]);
        }
        foreach ($kit->cameras as $c => $camera) {
            foreach ($kit->ofClass(Teleconverter::class) as $i => $converter) {
                if (Mating::of($camera, null, $converter) === Fit::Mates) {
                    $bodies[] = new self($camera, $converter, $kit->cameraPriceToBuy[$c] + $kit->priceToBuy[$i]);
                }
            }
        }

        return $bodies;
    }

    /** Known mass, g. */
    public function massG(): float
    {
        return ($this->camera->massG ?? 0.0) + ($this->converter->identity->massG ?? 0.0);
    }

    /** Known price. */
    public function price(): float
    {
        return ($this->camera->price ?? 0.0) + ($this->converter->identity->price ?? 0.0);
    }

    /** Joints to make by hand before the first ring or lens. */
    public function joints(): int
    {
        return $this->converter === null ? 0 : 1;
    }

    /** The end that the first ring or lens goes on. */
    public function front(): JointEnd
    {
        return $this->converter === null ? $this->camera->front : $this->converter->identity->front;
    }

    /** What of the coupling is there at that end. */
    public function passes(): Coupling
    {
        return $this->converter === null ? $this->camera->passes : $this->camera->passes->through($this->converter->identity->passes);
    }

    /** How many times the image is enlarged behind everything else. */
    public function factor(): float
    {
        return $this->converter->factor ?? 1.0;
    }

    /** Length of the converter, mm, by which every distance from the sensor grows. */
    public function converterMm(): float
    {
        return $this->converter->lengthMm ?? 0.0;
    }
}
