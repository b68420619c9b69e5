<?php

declare(strict_types=1);

namespace ZincThimble\Core\Joint;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;

/**
 * One joint that everything meets at: each body and each lens then needs one adapter to it, instead of every body one for
 * every lens mount (handbook, "Carry it?").
 */
final readonly class Hub
{
    private function __construct(
        public Joint $joint,
        /** Adapters needed when every pair of unlike mounts has one of its own. */
        public int $pairs,
        /** Adapters needed when all meet at this joint. */
        public int $needed,
        /** A part of the kit that carries this joint at both ends, and could stand at the hub; null = none. */
        public ?Part $part,
    ) {
    }

    /** How many adapters it saves. */
    public function saves(): int
    {
        return $this->pairs - $this->needed;
    }

    /**
     * The joint that would save the most adapters, of equals the one for which fewest are needed; null when no joint of
     * the kit saves any.
     *
     * @param  list<Camera>  $cameras
     * @param  list<Part>  $parts
     */
    public static function best(array $cameras, array $parts): ?self
    {
        $bodies = $lenses = $candidates = [];
        foreach ($cameras as $camera) {
            self::note($bodies, $camera->front->main());
        }
        foreach ($parts as $part) {
            if ($part instanceof Lens) {
                self::note($lenses, $part->identity->rear->main());
            }
            self::note($candidates, $part->identity->rear->main());
            self::note($candidates, $part->identity->front->main());
        }
        $pairs = 0;
        foreach ($bodies as $body) {
            foreach ($lenses as $lens) {
                $pairs += $body->sameStandard($lens) ? 0 : 1;
            }
        }
        $best = null;
        foreach ($bodies + $lenses + $candidates as $joint) {
            $unlike = static fn (Joint $other): bool => ! $other->sameStandard($joint);
            $hub = new self($joint, $pairs, count(array_filter($bodies, $unlike)) + count(array_filter($lenses, $unlike)), self::standing($parts, $joint));
            if ($hub->saves() > 0 && ($best === null || [$hub->saves(), $hub->part !== null] > [$best->saves(), $best->part !== null])) {
                $best = $hub;
            }
        }

        return $best;
    }

    /** @param  array<string, Joint>  $joints */
    private static function note(array &$joints, ?Joint $joint): void
    {
        if ($joint !== null && in_array($joint->type, [JointType::Bayonet, JointType::Thread], true)) {
            $joints[$joint->spoken()] ??= $joint;
        }
    }

    /** @param  list<Part>  $parts */
    private static function standing(array $parts, Joint $joint): ?Part
    {
        $best = null;
        foreach ($parts as $part) {
            $rear = $part->identity->rear->main();
            $front = $part->identity->front->main();
            if (! $part->kind->isOptical() && $rear?->sameStandard($joint) === true && $front?->sameStandard($joint) === true
                && ($best === null || ! $part->kind->isFixedSpacer() && $best->kind->isFixedSpacer())) {
                $best = $part;
            }
        }

        return $best;
    }
}
