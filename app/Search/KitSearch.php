<?php

declare(strict_types=1);

namespace App\Search;

use App\Bench\KitAtHand;
use App\Bench\RigStore;
use App\Models\Kit;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit as CoreKit;
use ZincThimble\Core\Gear\Owned;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;
use ZincThimble\Core\Search\Search;
use ZincThimble\Core\Search\SearchCriteria;
use ZincThimble\Core\Search\SearchKit;

/** A kit as the search knows it, each part naming the row it came from. */
final class KitSearch
{
    public function __construct(private readonly KitAtHand $hand, private readonly KeptKits $kept)
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

    /**
     * The kit that a wish is asked of: some cameras, without some parts.
     *
     * @param  array{cameras?: list<int>, with?: list<int>, without?: list<int>}  $choice  rows of the kit
     *
     * @throws ValidationException where the kit has no such part
     */
    public function chosen(Kit $kit, array $choice): CoreKit
    {
        foreach (['cameras', 'with', 'without'] as $blank) {
            foreach ($choice[$blank] ?? [] as $id) {
                $row = $kit->parts->firstWhere('id', $id);
                if ($row === null || ($row->kindOf() === Kind::Camera) !== ($blank === 'cameras')) {
                    throw ValidationException::withMessages([$blank => $blank === 'cameras' ? 'Your kit has no such camera.' : 'Your kit has no such part.']);
                }
            }
        }
        $cameras = array_fill_keys($choice['cameras'] ?? [], true);
        $without = array_fill_keys($choice['without'] ?? [], true);

        return $this->kit($kit)->only(static function (Camera|Item $thing) use ($cameras, $without): bool {
            $id = $thing->document->intOr(RigStore::REFERENCE, 0);

            return $thing instanceof Camera ? $cameras === [] || isset($cameras[$id]) : ! isset($without[$id]);
        });
    }

    /**
     * @param  array{with?: list<int>}  $choice
     * @return list<Part> what has to be in every rig
     */
    public function required(SearchKit $kit, array $choice): array
    {
        $with = array_fill_keys($choice['with'] ?? [], true);

        return array_values(array_filter($kit->parts, static fn (Part $part): bool => isset($with[$part->document->intOr(RigStore::REFERENCE, 0)])));
    }

    /** @param  array{cameras?: list<int>, with?: list<int>, without?: list<int>}  $choice  rows of the kit */
    public function of(Kit $kit, Budget $budget, ?SearchCriteria $wanted = null, array $choice = []): Search
    {
        $of = SearchKit::of($this->chosen($kit, $choice), $wanted?->mostMissingPrice !== null);

        return Search::over($this->kept->prepared($kit, $of, self::conditions(), $budget), $budget)->using(...$this->required($of, $choice));
    }

    /** What rigs are read under as long as nobody says otherwise. */
    public static function conditions(): Conditions
    {
        return Conditions::from(new Values([]));
    }
}
