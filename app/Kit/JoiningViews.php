<?php

declare(strict_types=1);

namespace App\Kit;

use App\Bench\FitReason;
use App\Bench\KitAtHand;
use App\Http\Resources\BridgeView;
use App\Http\Resources\CrossingView;
use App\Http\Resources\FittingPart;
use App\Http\Resources\HubView;
use App\Http\Resources\IslandView;
use App\Http\Resources\MapEnd;
use App\Http\Resources\MapPart;
use App\Http\Resources\MapView;
use App\Models\Kit;
use App\Models\Part;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Side;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Joint\Crossing;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Hub;
use ZincThimble\Core\Joint\JointMap;
use ZincThimble\Core\Joint\Mating;

/** What the core says of a kit's joints, for its screens. */
final class JoiningViews
{
    /** Islands between which bridges are looked for. */
    private const BRIDGED = 24;

    public function __construct(private readonly KitAtHand $hand)
    {
    }

    public function map(Kit $kit): MapView
    {
        [$cameraRows, $cameras, $rows, $parts] = $this->gear($kit);
        $map = JointMap::of($cameras, $parts);
        $bridges = array_fill(0, count($map->islands), []);
        // With more islands than these nobody looks for a bridge from each to each; the largest come first.
        foreach (array_slice($map->islands, 0, self::BRIDGED) as $i => $island) {
            foreach (array_slice($map->islands, 0, $i) as $j => $other) {
                $part = $map->cheapestBridge($other, $island)?->spoken();
                $bridges[$i][] = new BridgeView($j + 1, $part);
                $bridges[$j][] = new BridgeView($i + 1, $part);
            }
        }
        $islands = [];
        foreach ($map->islands as $i => $island) {
            $islands[] = new IslandView(
                $i + 1,
                array_map(fn (int $c): MapPart => new MapPart($cameraRows[$c]->id, Kind::Camera, $cameras[$c]->name ?? 'Camera', null, self::end($cameras[$c]->front)), $island->cameras),
                array_map(fn (int $p): MapPart => self::part($rows[$p], $parts[$p]), $island->parts),
                $bridges[$i],
            );
        }
        $hub = Hub::best($cameras, $parts);

        return new MapView(
            $islands,
            array_map(fn (int $p): MapPart => self::part($rows[$p], $parts[$p]), $map->anywhere),
            array_map(fn (int $p): MapPart => self::part($rows[$p], $parts[$p]), $map->loose),
            $hub === null ? null : new HubView($hub->joint->spoken(), $hub->part?->label(), $hub->pairs, $hub->needed, $hub->saves()),
        );
    }

    public function crossing(Kit $kit, JointEnd $front, JointEnd $rear): CrossingView
    {
        [, $cameras, $rows, $parts] = $this->gear($kit);
        $hand = [];
        foreach ($rows as $p => $row) {
            array_push($hand, ...array_fill(0, min(3, $row->count), $parts[$p]));
        }
        $register = static function (JointEnd $end) use ($cameras, $parts): ?float {
            foreach ($cameras as $camera) {
                if ($end->main() !== null && $camera->front->main()?->sameStandard($end->main()) === true) {
                    return $camera->registerMm;
                }
            }
            foreach ($parts as $part) {
                if ($part instanceof Lens && $end->main() !== null && $part->identity->rear->main()?->sameStandard($end->main()) === true) {
                    return $part->figures->registerMm;
                }
            }

            return null;
        };
        $crossing = Crossing::of($front, $rear, $hand, $register($front), $register($rear));
        $fitting = [];
        foreach ($parts as $p => $part) {
            $turned = Mating::turned($part);
            [$fits, $reason] = FitReason::verdict(Mating::ofEnds($front, $part->identity->rear), $turned === null ? null : Mating::ofEnds($front, $turned->identity->rear), $part, $front);
            $fitting[] = new FittingPart($rows[$p]->id, $part->label(), $part->kind, $fits, $reason);
        }

        return new CrossingView(
            $crossing->fit,
            $crossing->fit === Fit::LookAlike ? 'Same diameter, another pitch: they start, bind and are ruined. Don’t force them.' : null,
            array_map(static fn (Spacer $ring): string => $ring->label(), $crossing->path ?? []),
            array_sum(array_map(static fn (Spacer $ring): float => $ring->lengthMm, $crossing->path ?? [])),
            $crossing->bridge?->spoken(),
            $fitting,
        );
    }

    /** @return array{list<Part>, list<Camera>, list<Part>, list<CorePart>} rows and what the core makes of them, cameras apart */
    private function gear(Kit $kit): array
    {
        $cameraRows = $cameras = $rows = $parts = [];
        foreach ($kit->parts as $row) {
            if ($row->kindOf() === Kind::Camera) {
                $camera = $this->hand->camera($row);
                if ($camera !== null) {
                    $cameraRows[] = $row;
                    $cameras[] = $camera;
                }
            } elseif ($row->kindOf()->inChain()) {
                $part = $this->hand->readable($row);
                if ($part !== null) {
                    $rows[] = $row;
                    $parts[] = $part;
                }
            }
        }

        return [$cameraRows, $cameras, $rows, $parts];
    }

    private static function part(Part $row, CorePart $part): MapPart
    {
        return new MapPart($row->id, $row->kindOf(), $part->label(), self::end($part->identity->rear), self::end($part->identity->front));
    }

    private static function end(JointEnd $end): ?MapEnd
    {
        $main = $end->main();

        return $main === null ? null : new MapEnd($main->name, $main->spoken(), $end->side === Side::Male ? 'male' : 'female');
    }
}
