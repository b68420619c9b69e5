<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Plan\BagOption;
use ZincThimble\Core\Search\Candidate;

/** One rig that would do for one subject, with what has to come along for it. */
final readonly class SubjectOption
{
    /** @param  list<string>  $chain  keys of camera and parts, from the camera outwards; a turned one ends in `'` */
    private function __construct(public Candidate $candidate, public Accessories $accessories, public BagOption $takes, public array $chain)
    {
    }

    public static function of(KitKeys $keys, Candidate $candidate, Accessories $accessories): self
    {
        $rig = $candidate->rig;
        $counts = [];
        $chain = [];
        foreach ([$rig->camera, ...$rig->chain] as $thing) {
            $key = $keys->keyOf($thing) ?? self::foreign($thing);
            $counts[$key] = ($counts[$key] ?? 0) + 1;
            $chain[] = $key.($thing->document->boolOr('reversed', false) ? "'" : '');
            // What always sits on it comes along.
            foreach (array_keys($keys->keptOn, $key, true) as $kept) {
                $counts[$kept] ??= 0;
            }
        }
        foreach (array_keys($accessories->items) as $key) {
            $counts[$key] ??= 0;
        }

        return new self($candidate, $accessories, new BagOption(array_map(static fn (int $count): int => max(1, $count), $counts), implode(' ', $chain)), $chain);
    }

    /** The key of what isn't in the kit. */
    public static function foreign(Camera|Part $thing): string
    {
        return 'not in the kit: '.KitKeys::label($thing);
    }

    /**
     * Its joints, those that are never undone left out.
     *
     * @return array<string, int>
     */
    public function joints(KitKeys $keys): array
    {
        $joints = [];
        for ($i = 1; $i < count($this->chain); $i++) {
            [$behind, $before] = [rtrim($this->chain[$i - 1], "'"), rtrim($this->chain[$i], "'")];
            if (($keys->keptOn[$behind] ?? null) === $before || ($keys->keptOn[$before] ?? null) === $behind) {
                continue;
            }
            $joint = $this->chain[$i - 1].'|'.$this->chain[$i];
            $joints[$joint] = ($joints[$joint] ?? 0) + 1;
        }

        return $joints;
    }
}
