<?php

declare(strict_types=1);

namespace App\Search;

use App\Bench\KitAtHand;
use App\Models\Kit;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\Stock;
use ZincThimble\Core\Search\Wanted;

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
