<?php

declare(strict_types=1);

namespace ZincThimble\Core\Search;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Part;

/**
 * Everything of a rig from its first glass outwards: a lens either way round, what is screwed in front of it, and the
 * rings that needs. Whatever stands behind only moves it along the axis.
 */
final readonly class FrontAssembly
{
    /** Joints to make. */
    public int $joints;

    /** Known mass, g. */
    public float $mass;

    /** Known price. */
    public float $price;

    /**
     * @param  non-empty-list<Part>  $parts  from the camera outwards
     * @param  int  $rings  which rings of the kit stand in it, as bits
     * @param  float  $priceToBuy  price of what of it is not owned yet
     */
    public function __construct(public array $parts, public int $rings, public float $priceToBuy = 0.0)
    {
        $joints = 0;
        $mass = 0.0;
        $price = 0.0;
        foreach ($parts as $part) {
            $joints += $part->identity->rear->main()?->type === JointType::Fixed ? 0 : 1;
            $mass += $part->identity->massG ?? 0.0;
            $price += $part->identity->price ?? 0.0;
        }
        $this->joints = $joints;
        $this->mass = $mass;
        $this->price = $price;
    }

    /** The end that goes on what stands behind. */
    public function rear(): JointEnd
    {
        return $this->parts[0]->identity->rear;
    }

    /** The lens nearest to the camera; null = an objective by itself. */
    public function lens(): ?Lens
    {
        return $this->parts[0] instanceof Lens ? $this->parts[0] : null;
    }

    /** What makes it magnify, as people tell routes apart; a stack behind it may say more. */
    public function route(): Route
    {
        $last = $this->parts[count($this->parts) - 1];
        $closeUp = false;
        foreach (array_slice($this->parts, 1) as $part) {
            if ($part instanceof Lens) {
                return Route::Coupled;
            }
            $closeUp = $closeUp || $part instanceof CloseUpLens;
        }

        return match (true) {
            $last instanceof Objective => Route::Objective,
            $this->lens()?->reversed === true => Route::Reversed,
            $closeUp => Route::Diopter,
            default => Route::Plain,
        };
    }
}
