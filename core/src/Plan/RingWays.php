<?php

declare(strict_types=1);

namespace ZincThimble\Core\Plan;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;

/** How a camera's chains go on with the rings of a kit. */
final readonly class RingWays
{
    /** @param  list<Spacer|VariableSpacer>  $rings */
    private function __construct(private Camera $camera, private array $rings)
    {
    }

    public static function of(Kit $kit, Camera $camera): self
    {
        return new self($camera, $kit->rings());
    }

    /**
     * The rings that lead from the end of a chain to a part; null = there is no way.
     *
     * @param  list<Part>  $chain
     * @return list<Spacer>|null
     */
    public function to(array $chain, Part $part): ?array
    {
        $last = $chain === [] ? null : $chain[count($chain) - 1];
        if (Mating::of($this->camera, $last, $part) === Fit::Mates) {
            return [];
        }
        $rings = array_values(array_filter($this->rings, static fn (Part $ring): bool => $ring instanceof Spacer && $ring->kind !== Kind::Tube && ! in_array($ring, $chain, true)));

        return AdapterPaths::between($last === null ? $this->camera->front : $last->identity->front, $part->identity->rear, $rings);
    }

    /**
     * Where in the rings that lead to a lens tubes go, and which.
     *
     * @param  list<Spacer>  $behind
     * @return array{int, list<Part>}
     */
    public function tubes(array $behind, Lens $lens): array
    {
        $best = [count($behind), []];
        for ($place = 0; $place <= count($behind); $place++) {
            $end = $place === 0 ? $this->camera->front : $behind[$place - 1]->identity->front;
            $next = ($behind[$place] ?? $lens)->identity->rear;
            $tubes = array_values(array_filter($this->rings, static fn (Part $ring): bool => $ring->kind === Kind::Tube && ! in_array($ring, $behind, true)
                && Mating::ofEnds($end, $ring->identity->rear) === Fit::Mates && Mating::ofEnds($ring->identity->front, $next) === Fit::Mates));
            if (count($tubes) > count($best[1])) {
                $best = [$place, $tubes];
            }
        }

        return $best;
    }
}
