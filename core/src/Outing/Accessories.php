<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Gear\Flash;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Rail;
use ZincThimble\Core\Gear\Support;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\Candidate;

/**
 * What has to come along besides the rig itself (OPTICS.md, "An outing"): a rail where the slice has to be moved through the subject, a flash
 * where it moves, what carries the rig on a table, a hood over bare rear glass. Of several of the kit that would do, the lightest.
 */
final readonly class Accessories
{
    /** @param  array<string, Item>  $items  by key */
    private function __construct(public array $items, public ?Rail $rail, public ?Flash $flash)
    {
    }

    /** @param  array<string, true>  $without  keys that must stay at home */
    public static function of(KitKeys $keys, WantedSubject $subject, Candidate $candidate, array $without): self
    {
        $rig = $candidate->rig;
        $items = [];
        $rail = $flash = null;
        $support = $subject->wanted->support;
        if ($support !== 'hand' && ! $subject->moves() && self::isDeep($subject, $candidate)) {
            $rail = self::lightest($keys, $without, static fn (Item $item): bool => $item instanceof Rail && self::carries($item->loadG, $rig));
        }
        if ($subject->moves()) {
            $flash = self::lightest($keys, $without, static fn (Item $item): bool => $item instanceof Flash);
        }
        $stand = $support !== 'table' ? null : self::lightest($keys, $without, static fn (Item $item): bool => $item instanceof Support && self::carries($item->loadG, $rig));
        $hood = self::isBare($candidate) ? self::lightest($keys, $without, static fn (Item $item): bool => $item instanceof Part && $item->kind === Kind::Hood
            && Mating::of($rig->camera, $rig->chain[count($rig->chain) - 1] ?? null, $item) === Fit::Mates) : null;
        foreach (array_filter([$rail, $flash, $stand, $hood]) as $key) {
            $item = $keys->things[$key];
            if ($item instanceof Item) {
                $items[$key] = $item;
            }
        }
        $chosen = static fn (?string $key): ?Item => $key === null ? null : $items[$key] ?? null;
        [$rail, $flash] = [$chosen($rail), $chosen($flash)];

        return new self($items, $rail instanceof Rail ? $rail : null, $flash instanceof Flash ? $flash : null);
    }

    /**
     * What of it is planned for the rig, as its conditions say it.
     *
     * @return array<string, mixed>
     */
    public function plan(): array
    {
        $plan = [];
        if ($this->flash !== null) {
            $plan['light'] = 'flash';
            $plan['flash'] = array_filter(['name' => $this->flash->identity->name, 'guideNumber' => $this->flash->guideNumber, 'recycleS' => $this->flash->recycleS], static fn (mixed $value): bool => $value !== null);
        }
        if ($this->rail !== null) {
            $plan['by'] = 'rail';
            $plan['rail'] = array_filter(['name' => $this->rail->identity->name, 'pitchMm' => $this->rail->pitchMm, 'travelMm' => $this->rail->travelMm], static fn (mixed $value): bool => $value !== null);
        }

        return $plan;
    }

    /** Whether the subject is deeper than the slice. */
    private static function isDeep(WantedSubject $subject, Candidate $candidate): bool
    {
        $depth = $subject->whole()->depthOver($candidate->reading->fieldWidthMm);

        return $depth !== null && $candidate->reading->depthOfFieldMm !== null && $depth > $candidate->reading->depthOfFieldMm;
    }

    private static function isBare(Candidate $candidate): bool
    {
        foreach ($candidate->warnings as $finding) {
            if ($finding->code === Code::BareRear) {
                return true;
            }
        }

        return false;
    }

    private static function carries(?float $loadG, Rig $rig): bool
    {
        return $loadG === null || $rig->totals->massG === null || $loadG >= $rig->totals->massG;
    }

    /**
     * @param  array<string, true>  $without
     * @param  \Closure(Item): bool  $does
     */
    private static function lightest(KitKeys $keys, array $without, \Closure $does): ?string
    {
        $best = null;
        $least = INF;
        foreach ($keys->things as $key => $thing) {
            if ($thing instanceof Item && $keys->counts[$key] > 0 && ! isset($without[$key]) && ($thing->identity->massG ?? 1e9) < $least && $does($thing)) {
                [$best, $least] = [$key, $thing->identity->massG ?? 1e9];
            }
        }

        return $best;
    }
}
