<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;

/**
 * Which parts of a kit can touch: its islands, between which no adapter leads, and the cheapest bridge between two.
 *
 * Two parts touch when the front of one mates with the rear of the other; a lens shows either end to the camera. What
 * clips on or is taped goes anywhere and joins no islands.
 */
final readonly class JointMap
{
    /**
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts
     * @param  list<Island>  $islands  with cameras first, then by size
     * @param  list<int>  $anywhere  places of the parts that go anywhere
     * @param  list<int>  $loose  places of the parts whose joints are not known
     */
    private function __construct(
        private array $cameras,
        private array $parts,
        public array $islands,
        public array $anywhere,
        public array $loose,
    ) {
    }

    /**
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts
     */
    public static function of(array $cameras, array $parts): self
    {
        $anywhere = $loose = $joined = [];
        foreach ($parts as $i => $part) {
            $rear = $part->identity->rear->main()?->type;
            if (in_array($rear, [JointType::Clip, JointType::Improvised], true)) {
                $anywhere[] = $i;
            } elseif ($part->identity->rear->joints === [] && $part->identity->front->joints === []) {
                $loose[] = $i;
            } else {
                $joined[] = $i;
            }
        }
        // Cameras are counted from -1 downwards, parts from 0 up.
        $nodes = [...array_map(static fn (int $i): int => -1 - $i, array_keys($cameras)), ...$joined];
        $root = array_combine($nodes, $nodes);
        // Parts with the same ends touch the same parts: it is enough to try one of each sort, and all of two sorts that touch hang together.
        $sorts = [];
        foreach ($nodes as $node) {
            $sorts[self::signature(self::rears($parts, $node)).' > '.self::signature(self::fronts($cameras, $parts, $node))][] = $node;
        }
        $sorts = array_values($sorts);
        foreach ($sorts as $n => $sort) {
            foreach (array_slice($sorts, $n) as $m => $other) {
                // A sort that is there once touches itself as little as a part does.
                if (($m > 0 || count($sort) > 1) && self::touch($cameras, $parts, $sort[0], $other[count($other) - 1])) {
                    foreach ([...$sort, ...$other] as $node) {
                        $root[self::rootOf($root, $node)] = self::rootOf($root, $sort[0]);
                    }
                }
            }
        }
        $groups = [];
        foreach ($nodes as $node) {
            $groups[self::rootOf($root, $node)][] = $node;
        }
        $islands = array_map(static fn (array $group): Island => new Island(
            array_values(array_map(static fn (int $node): int => -1 - $node, array_filter($group, static fn (int $node): bool => $node < 0))),
            array_values(array_filter($group, static fn (int $node): bool => $node >= 0)),
        ), array_values($groups));
        usort($islands, static fn (Island $a, Island $b): int => [$b->cameras !== [], count($b->parts)] <=> [$a->cameras !== [], count($a->parts)]);

        return new self($cameras, $parts, $islands, $anywhere, $loose);
    }

    /**
     * The part that would join two islands most easily: the one that is easiest to come by (Bridge::rank), of those the
     * one most parts can use. Null when an island shows no joint that anything could be put on.
     */
    public function cheapestBridge(Island $one, Island $other): ?Bridge
    {
        $best = null;
        $bestScore = null;
        foreach ([[$one, $other], [$other, $one]] as [$near, $far]) {
            foreach ($this->ends($near, front: true) as [$front, $frontUses, $nearRegister]) {
                foreach ($this->ends($far, front: false) as [$rear, $rearUses, $farRegister]) {
                    $bridge = Bridge::between($front, $rear, $nearRegister, $farRegister);
                    if ($bridge === null || ($bridge->lengthMm !== null && $bridge->lengthMm < 0.0)) {
                        continue;
                    }
                    // Between two cameras' worlds a part that starts at no camera helps nobody.
                    $score = [$near->cameras === [] ? 1 : 0, $bridge->rank(), -$frontUses * $rearUses];
                    if ($bestScore === null || $score < $bestScore) {
                        $bestScore = $score;
                        $best = $bridge;
                    }
                }
            }
        }

        return $best;
    }

    /**
     * The ends of an island's parts, one of each standard and side, with how many parts show it and the register it
     * stands for where that is known.
     *
     * @return list<array{JointEnd, int, ?float}>
     */
    private function ends(Island $island, bool $front): array
    {
        $found = [];
        $note = static function (JointEnd $end, ?float $register) use (&$found): void {
            $main = $end->main();
            if ($main !== null) {
                $key = $main->spoken().' '.$end->side->value;
                $found[$key] = [$end, ($found[$key][1] ?? 0) + 1, $register ?? $found[$key][2] ?? null];
            }
        };
        foreach ($front ? $island->cameras : [] as $camera) {
            $note($this->cameras[$camera]->front, $this->cameras[$camera]->registerMm);
        }
        foreach ($island->parts as $index) {
            $part = $this->parts[$index];
            if ($part->kind === Kind::CloseUpLens || $part->kind === Kind::Filter || $part->kind === Kind::Hood) {
                continue;
            }
            $note($front ? $part->identity->front : $part->identity->rear, ! $front && $part instanceof Lens ? $part->figures->registerMm : null);
        }

        return array_values($found);
    }

    /**
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts
     */
    private static function touch(array $cameras, array $parts, int $a, int $b): bool
    {
        foreach ([[$a, $b], [$b, $a]] as [$near, $far]) {
            foreach (self::fronts($cameras, $parts, $near) as $front) {
                foreach (self::rears($parts, $far) as $rear) {
                    if (Mating::ofEnds($front, $rear) === Fit::Mates) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * What a part can show to the subject.
     *
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts
     * @return list<JointEnd>
     */
    private static function fronts(array $cameras, array $parts, int $node): array
    {
        if ($node < 0) {
            $camera = $cameras[max(0, -1 - $node)] ?? null;

            return $camera === null ? [] : [$camera->front];
        }
        $part = $parts[$node];

        $turned = Mating::turned($part);

        return $turned === null ? [$part->identity->front] : [$part->identity->front, $turned->identity->front];
    }

    /**
     * What a part can show to the camera.
     *
     * @param  list<Part>  $parts
     * @return list<JointEnd>
     */
    private static function rears(array $parts, int $node): array
    {
        if ($node < 0) {
            return [];
        }
        $part = $parts[$node];

        $turned = Mating::turned($part);

        return $turned === null ? [$part->identity->rear] : [$part->identity->rear, $turned->identity->rear];
    }

    /** @param  list<JointEnd>  $ends */
    private static function signature(array $ends): string
    {
        return implode(' / ', array_map(static fn (JointEnd $end): string => $end->signature(), $ends));
    }

    /** @param  array<int, int>  $root */
    private static function rootOf(array $root, int $node): int
    {
        while ($root[$node] !== $node) {
            $node = $root[$node];
        }

        return $node;
    }
}
