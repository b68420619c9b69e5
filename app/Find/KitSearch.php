<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\Kit;
use App\Rigs\KitAtHand;
use ZincThimble\Core\Find\Budget;
use ZincThimble\Core\Find\Search;
use ZincThimble\Core\Find\Stock;
use ZincThimble\Core\Find\Wanted;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;

/** A kit as the search knows it, each part naming the row it came from. */
final class KitSearch
{
    public function __construct(private readonly KitAtHand $hand)
    {
    }

    /** @param  bool  $buying  whether what isn't owned may be used too */
    public function stock(Kit $kit, bool $buying = false): Stock
    {
        $cameras = $parts = $counts = $bodies = [];
        foreach ($kit->parts as $row) {
            if ($row->kindOf() === Kind::Camera) {
                $camera = $this->hand->camera($row);
                if ($camera !== null) {
                    $cameras[] = $camera;
                    $bodies[] = $row->count;
                }
            } elseif ($row->kindOf()->inChain()) {
                $part = $this->hand->readable($row);
                if ($part !== null) {
                    $parts[] = $part;
                    $counts[] = $row->count;
                }
            }
        }

        return new Stock($cameras, $parts, $counts, $bodies, $buying);
    }

    public function of(Kit $kit, Budget $budget, ?Wanted $wanted = null): Search
    {
        return Search::of($this->stock($kit, $wanted?->mostMissingPrice !== null), self::conditions(), $budget);
    }

    /** What rigs are read under as long as nobody says otherwise. */
    public static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }
}
