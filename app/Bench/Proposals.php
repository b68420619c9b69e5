<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Resources\ProposalView;
use App\Models\Kit;
use App\Models\Part;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Setting;

/** The commonest first rigs that a kit can make: a tube behind a lens, a lens turned round on bellows or else on its ring, a close-up lens. */
final class Proposals
{
    public function __construct(private readonly KitAtHand $kit)
    {
    }

    /** @return list<ProposalView> those that its joints allow */
    public function of(Kit $kit): array
    {
        $cameras = $parts = [];
        foreach ($kit->parts->where('count', '>', 0) as $row) {
            if ($row->kindOf() === Kind::Camera) {
                if ($this->kit->camera($row) !== null) {
                    $cameras[] = $row;
                }
            } elseif ($row->kindOf()->inChain()) {
                $parts[] = $this->kit->readable($row);
            }
        }
        $parts = array_values(array_filter($parts));
        if ($cameras === []) {
            return [];
        }
        $lenses = array_values(array_filter($parts, static fn (CorePart $part): bool => $part instanceof Lens && ! $part->isZoom()));
        $tubes = self::sorted($parts, static fn (CorePart $part): ?float => $part->kind === Kind::Tube && $part instanceof Spacer ? -$part->lengthMm : null);
        $bellows = self::sorted($parts, static fn (CorePart $part): ?float => $part instanceof VariableSpacer ? $part->minMm - $part->maxMm : null);
        $rings = self::sorted($parts, static fn (CorePart $part): ?float => $part->kind === Kind::ReversingRing && $part instanceof Spacer ? $part->lengthMm : null);
        $closeUps = self::sorted($parts, static fn (CorePart $part): ?float => $part instanceof CloseUpLens ? -$part->powerD * ($part->elements > 1 ? 2.0 : 1.0) : null);
        $normal = self::sorted($lenses, static fn (CorePart $part): float => $part instanceof Lens ? abs(log($part->figures->focalLengthMm / 50.0)) : 0.0);
        $short = self::sorted($lenses, static fn (CorePart $part): float => $part instanceof Lens ? $part->figures->focalLengthMm : 0.0);
        $long = array_reverse($short);
        $turned = array_map(static fn (CorePart $part): CorePart => $part instanceof Lens ? $part->turned() : $part, $short);

        return array_values(array_filter([
            $this->first('A tube behind a lens', 'Closer than its ring allows; infinity goes.', $cameras, $parts, $tubes, $normal),
            $this->first('A lens turned round on bellows', 'The strongest that most kits have.', $cameras, $parts, $bellows, $turned)
                ?? $this->first('A lens turned round on a ring', 'Beyond life size with next to nothing in the bag.', $cameras, $parts, $rings, $turned),
            $this->first('A close-up lens in front', 'On and off in a second, no light lost.', $cameras, $parts, $long, $closeUps),
        ]));
    }

    /**
     * The first of these that can be joined on some camera, then the first of those on it.
     *
     * @param  list<Part>  $cameras
     * @param  list<CorePart>  $kit
     * @param  list<CorePart>  $inner
     * @param  list<CorePart>  $outer
     */
    private function first(string $title, string $text, array $cameras, array $kit, array $inner, array $outer): ?ProposalView
    {
        foreach ($inner as $near) {
            foreach ($outer as $far) {
                foreach ($cameras as $row) {
                    $camera = Camera::from(new Values($this->kit->fields($row)));
                    $chain = self::reached(self::reached([], $camera->front, $near, $kit), null, $far, $kit);
                    if ($chain !== null) {
                        return $this->view($title, $text, $row, $camera, $chain);
                    }
                }
            }
        }

        return null;
    }

    /**
     * A chain with one part more, and the rings that lead to it.
     *
     * @param  list<CorePart>|null  $chain
     * @param  list<CorePart>  $kit
     * @return list<CorePart>|null
     */
    private static function reached(?array $chain, ?JointEnd $front, CorePart $part, array $kit): ?array
    {
        if ($chain === null) {
            return null;
        }
        $used = array_map(self::row(...), [...$chain, $part]);
        $rings = array_values(array_filter($kit, static fn (CorePart $each): bool => ! in_array(self::row($each), $used, true)));
        $end = $chain === [] ? $front : $chain[count($chain) - 1]->identity->front;
        $way = $end === null ? null : AdapterPaths::between($end, $part->identity->rear, $rings);

        return $way === null ? null : [...$chain, ...$way, $part];
    }

    /** @param  list<CorePart>  $chain */
    private function view(string $title, string $text, Part $row, Camera $camera, array $chain): ProposalView
    {
        $rig = CoreRig::of($camera, $chain, Setting::untouched(), Conditions::from(new Values([])));
        $range = Range::of($rig);

        return new ProposalView(
            $title, $text, $row->id, array_map(self::row(...), $chain), [$camera->name ?? 'Camera', ...array_map(static fn (CorePart $part): string => $part->label(), $chain)],
            $range->magnification[0], $range->magnification[1],
        );
    }

    private static function row(CorePart $part): int
    {
        return $part->document->intOr(RigStore::REFERENCE, 0);
    }

    /**
     * @param  list<CorePart>  $parts
     * @param  \Closure(CorePart): ?float  $by  null = not one of them
     * @return list<CorePart>
     */
    private static function sorted(array $parts, \Closure $by): array
    {
        $of = array_values(array_filter($parts, static fn (CorePart $part): bool => $by($part) !== null));
        usort($of, static fn (CorePart $a, CorePart $b): int => $by($a) <=> $by($b));

        return $of;
    }
}
