<?php

declare(strict_types=1);

namespace App\Search;

use App\Models\Kit;
use App\Operations\Code;
use Illuminate\Support\Facades\Cache;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\KeptKit;
use ZincThimble\Core\Search\PreparedKit;
use ZincThimble\Core\Search\SearchKit;

/**
 * What no wish changes of a kit, kept for all workers from one question to the next. Good for one state of one kit, the very figures
 * of its parts and this code; anything else is worked out anew and takes the place of what was there.
 */
final class KeptKits
{
    /** So many at the most, of up to KeptKit::MOST_BYTES: kits share places. */
    public const PLACES = 64;

    private const HOURS = 24;

    /** @param  SearchKit  $of  what of the kit may be used */
    public function prepared(Kit $kit, SearchKit $of, Conditions $conditions, Budget $budget): PreparedKit
    {
        // Another state of a kit takes the place of the one before; some of its parts alone mostly have another.
        $place = 'kept kit '.crc32($kit->id.' '.count($of->cameras).' '.count($of->parts)) % self::PLACES;
        $state = [$kit->state(), self::figures($of, $conditions), Code::ofCore()];
        $held = Cache::get($place);
        if (is_array($held) && ($held['state'] ?? null) === $state && is_string($held['bytes'] ?? null)) {
            $back = KeptKit::back($held['bytes'], $of, $conditions);
            if ($back !== null) {
                return $back;
            }
        }
        $prepared = PreparedKit::of($of, $conditions, $budget);
        // Whoever asked has the answer by then. Where the disk is full, say, the next one is worked out anew.
        defer(static fn () => rescue(static function () use ($prepared, $place, $state): void {
            $bytes = KeptKit::of($prepared);
            if ($bytes !== null) {
                Cache::put($place, ['state' => $state, 'bytes' => $bytes], now()->addHours(self::HOURS));
            }
        }), $place);

        return $prepared;
    }

    /** All that a search knows of a kit: the figures of its parts, how many there are, and what they would cost. */
    private static function figures(SearchKit $of, Conditions $conditions): string
    {
        $fields = static fn (Camera|Part $thing): array => $thing->document->fields;

        return hash('xxh128', serialize([array_map($fields, $of->cameras), $of->cameraPriceToBuy, array_map($fields, $of->parts), $of->counts, $of->priceToBuy, $conditions]));
    }
}
