<?php

declare(strict_types=1);

namespace ZincThimble\Core\Join;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Spacer;

/** The shortest way from one joint to another through the rings of a kit: fewest parts, then shortest, then cheapest. */
final class AdapterPaths
{
    /** Longer paths than this nobody builds. */
    public const LONGEST = 3;

    /** Kinds that join two standards without doing anything else. */
    private const RINGS = [Kind::Adapter, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing];

    /**
     * @param  list<Part>  $kit  parts at hand, each once
     * @return list<Spacer>|null from the camera outwards; [] when the ends mate already; null when there is no path
     */
    public static function between(JointEnd $front, JointEnd $rear, array $kit): ?array
    {
        if (Mating::ofEnds($front, $rear) === Fit::Mates) {
            return [];
        }
        $rings = [];
        foreach ($kit as $part) {
            if ($part instanceof Spacer && in_array($part->kind, self::RINGS, true)) {
                $rings[] = $part;
            }
        }
        /** @var list<list<Spacer>> $paths */
        $paths = [[]];
        for ($length = 1; $length <= self::LONGEST; $length++) {
            $longer = [];
            $found = [];
            foreach ($paths as $path) {
                $end = $path === [] ? $front : $path[count($path) - 1]->casing->front;
                foreach ($rings as $ring) {
                    if (! in_array($ring, $path, true) && Mating::ofEnds($end, $ring->casing->rear) === Fit::Mates) {
                        $next = [...$path, $ring];
                        $longer[] = $next;
                        if (Mating::ofEnds($ring->casing->front, $rear) === Fit::Mates) {
                            $found[] = $next;
                        }
                    }
                }
            }
            if ($found !== []) {
                usort($found, static fn (array $a, array $b): int => [self::length($a), self::price($a)] <=> [self::length($b), self::price($b)]);

                return $found[0];
            }
            $paths = $longer;
        }

        return null;
    }

    /** @param  list<Spacer>  $path */
    private static function length(array $path): float
    {
        return array_sum(array_map(static fn (Spacer $ring): float => $ring->lengthMm, $path));
    }

    /** @param  list<Spacer>  $path */
    private static function price(array $path): float
    {
        return array_sum(array_map(static fn (Spacer $ring): float => $ring->casing->price ?? 0.0, $path));
    }
}
