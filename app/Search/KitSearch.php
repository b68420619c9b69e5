<?php

declare(strict_types=1);

namespace App\Search;

use App\Bench\KitAtHand;
use App\Models\Kit;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit as CoreKit;
use ZincThimble\Core\Gear\Owned;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/** A kit as the search knows it, each part naming the row it came from. */
final class KitSearch
{
    public function __construct(private readonly KitAtHand $hand)
    {
    }

    /** Only what can be read: one part whose figures can't is in nobody's way. */
    public function kit(Kit $kit): CoreKit
    {
        $owned = [];
        foreach ($kit->parts as $row) {
            $thing = $row->kindOf() === Kind::Camera ? $this->hand->camera($row) : ($row->kindOf()->inChain() ? $this->hand->readable($row) : null);
            if ($thing !== null) {
                $owned[] = new Owned($thing, $row->count);
            }
        }

        return new CoreKit($kit->name, $owned);
    }

    public function of(Kit $kit, Budget $budget, ?SearchCriteria $wanted = null): Search
    {
        return Search::of(SearchKit::of($this->kit($kit), $wanted?->mostMissingPrice !== null), self::conditions(), $budget);
    }

    /** What rigs are read under as long as nobody says otherwise. */
    public static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }
}
