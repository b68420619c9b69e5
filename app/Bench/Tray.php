<?php

declare(strict_types=1);

namespace App\Bench;

use App\Bench\Steps\StepContext;
use App\Http\Resources\PartView;
use App\Http\Resources\Silhouette;
use App\Http\Resources\TrayPart;
use App\Http\Resources\TrayView;
use App\Models\Part;
use App\Models\Rig;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\AdapterPaths;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Arrangement;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** What of a kit goes on one joint of a rig, and why the rest doesn't. */
final class Tray
{
    public function __construct(private readonly KitAtHand $kit)
    {
    }

    /** @param  int  $index the joint before the part at that place; the chain's length = the front of the rig */
    public function at(Rig $row, CoreRig $rig, int $index): TrayView
    {
        $behind = $rig->chain[$index - 1] ?? null;
        $ahead = $rig->chain[$index] ?? null;
        $front = $behind === null ? $rig->camera->front : $behind->identity->front;
        $used = KitAtHand::used($row);
        $rows = $this->kit->rows($row);
        $made = $this->kit->made($row, $rows);
        $free = array_values($made);
        $rings = AdapterPaths::among($free);
        $fitting = $reached = $others = [];
        foreach ($rows as $part) {
            if ($part->kindOf() === Kind::Camera) {
                continue;
            }
            $left = $part->count - ($used[$part->id] ?? 0);
            [$fits, $reason] = $this->verdict($rig, $index, $behind, $ahead, $part, $made[$part->id] ?? null, $front, $left);
            $way = $fits || ! isset($made[$part->id]) ? [] : $this->way($rig, $index, $front, $made[$part->id], $rings, $free);
            $view = new TrayPart(
                part: self::part($part),
                fits: $fits,
                reason: $way === [] ? $reason : 'with '.implode(' + ', array_map(static fn (Spacer $ring): string => $ring->label(), $way)),
                reversed: $reason === FitReason::REVERSED,
                left: max(0, $left),
                via: array_map(static fn (Spacer $ring): int => $ring->document->intOr(RigStore::REFERENCE, 0), $way),
                viaNames: array_map(static fn (Spacer $ring): string => $ring->label(), $way),
            );
            if ($fits) {
                $fitting[] = $view;
            } elseif ($way !== []) {
                $reached[] = $view;
            } else {
                $others[] = $view;
            }
        }

        return new TrayView(
            $index,
            $behind === null ? 'At the camera' : 'In front of '.$behind->label(),
            Describe::joint($front).', '.$front->side->value,
            [...$fitting, ...$reached, ...$others],
        );
    }

    public static function part(Part $part): PartView
    {
        try {
            return self::readable($part);
        } catch (InvalidFigure $fault) {
            // One part that can't be read any more is in no other's way: it says so, and can be mended or taken out.
            return new PartView(id: $part->id, kind: $part->kindOf(), name: $part->name ?? ucfirst($part->kindOf()->spoken()), count: $part->count, rear: null, front: null, measure: 'can’t be read: '.$fault->getMessage(), inChain: false,
                silhouette: new Silhouette(40.0, 40.0, 40.0, 40.0, null, null));
        }
    }

    /** @throws InvalidFigure names what no such part can have */
    private static function readable(Part $part): PartView
    {
        $kind = $part->kindOf();
        $fields = $part->fields();
        if ($kind === Kind::Camera) {
            $camera = Camera::from(new Values($fields));

            return new PartView(id: $part->id, kind: $part->kindOf(), name: $part->name ?? 'Camera', count: $part->count, rear: null, front: Describe::joint($camera->front), measure: Describe::camera($camera), inChain: false,
                silhouette: new Silhouette($camera->depthMm ?? 50.0, $camera->heightMm ?? 82.0, $camera->heightMm ?? 82.0, 60.0, null, null));
        }
        if (! $kind->inChain()) {
            return new PartView(id: $part->id, kind: $part->kindOf(), name: $part->name ?? ucfirst($kind->spoken()), count: $part->count, rear: null, front: null, measure: '', inChain: false,
                silhouette: new Silhouette(40.0, 40.0, 40.0, 40.0, null, null));
        }
        $made = Parts::make($kind, new Values($fields));

        return new PartView(id: $part->id, kind: $part->kindOf(), name: $made->label(), count: $part->count, rear: self::end($made->identity->rear), front: self::end($made->identity->front), measure: Describe::measure($made), inChain: true,
            silhouette: new Silhouette(
                $made->shortestMm(), Outline::widestMm($made), Outline::rearMm($made), Outline::frontMm($made),
                $made instanceof Lens ? $made->design : null,
                $made instanceof VariableSpacer ? $made->maxMm : null,
            ));
    }

    /**
     * The rings of the kit that lead to a part, the usual way round first; [] when none do.
     *
     * What a rig is refused for is not proposed either: nothing but wet glass and rings between stand before a port.
     *
     * @param  list<CorePart>  $free
     * @return list<Spacer>
     */
    private function way(CoreRig $rig, int $index, JointEnd $front, CorePart $made, AdapterPaths $rings, array $free): array
    {
        $way = $made->identity->rear->main()?->type === JointType::Clip ? self::underClip($rig, $front, $made, $free) : $rings->way($front, $made->identity->rear);
        $turned = Mating::turned($made);
        if (($way === null || $way === []) && $turned !== null) {
            $way = $rings->way($front, $turned->identity->rear);
        }

        return $way === null || self::refusal($rig, $index, [...$way, $made]) !== null ? [] : $way;
    }

    /**
     * The thinnest ring on this front that a clip-on holds on to.
     *
     * @param  list<CorePart>  $free
     * @return list<Spacer>|null
     */
    private static function underClip(CoreRig $rig, JointEnd $front, CorePart $clip, array $free): ?array
    {
        $best = null;
        foreach ($free as $part) {
            foreach (array_filter([$part, Mating::turned($part)]) as $ring) {
                if ($ring instanceof Spacer && Mating::ofEnds($front, $ring->identity->rear) === Fit::Mates && Mating::of($rig->camera, $ring, $clip) === Fit::Mates
                    && ($best === null || $ring->lengthMm < $best->lengthMm)) {
                    $best = $ring;
                }
            }
        }

        return $best === null ? null : [$best];
    }

    /**
     * Why a rig with these put in can't be.
     *
     * @param  list<CorePart>  $parts
     * @return ?string null = it can
     */
    private static function refusal(CoreRig $rig, int $index, array $parts): ?string
    {
        if (count($rig->chain) + count($parts) > StepContext::LONGEST) {
            return 'a rig has at most '.StepContext::LONGEST.' parts';
        }
        // Trying costs a rig for every part, and only a port refuses what stands about it.
        if (! in_array(Kind::Port, array_map(static fn (CorePart $part): Kind => $part->kind, [...$rig->chain, ...$parts]), true)) {
            return null;
        }
        try {
            Arrangement::of($rig)->inserting($index, $parts)->rig($rig);

            return null;
        } catch (InvalidFigure $fault) {
            return $fault->getMessage();
        }
    }

    /** @return array{bool, string} */
    private function verdict(CoreRig $rig, int $index, ?CorePart $behind, ?CorePart $ahead, Part $part, ?CorePart $made, JointEnd $front, int $left): array
    {
        $kind = $part->kindOf();
        if (! $kind->inChain()) {
            return [false, 'not part of the optical chain'];
        }
        if ($left <= 0) {
            return [false, $part->count === 0 ? 'not yours yet' : 'already in this rig'];
        }
        if ($made === null) {
            return [false, 'its figures can’t be read; mend them in the kit'];
        }
        $camera = $rig->camera;
        $turned = Mating::turned($made);
        [$fits, $reason] = FitReason::verdict(Mating::of($camera, $behind, $made), $turned === null ? null : Mating::of($camera, $behind, $turned), $made, $front);
        $refusal = $fits ? self::refusal($rig, $index, [$made]) : null;

        return match (true) {
            $refusal !== null => [false, $refusal],
            $fits && $reason === '' && $ahead !== null && ! Mating::of($camera, $made, $ahead)->holds() => [true, 'fits behind; '.$ahead->label().' won’t go on it'],
            default => [$fits, $reason],
        };
    }

    private static function end(JointEnd $end): ?string
    {
        return $end->main()?->spoken();
    }
}
