<?php

declare(strict_types=1);

namespace App\Outings;

use App\Bench\KitAtHand;
use App\Bench\RigStore;
use App\Models\Kit;
use App\Models\Outing;
use App\Models\Part;
use ZincThimble\Core\File\Json;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Items;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit as CoreKit;
use ZincThimble\Core\Gear\Owned;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Outing\OutingPlan;
use ZincThimble\Core\Outing\OutingPlanner;
use ZincThimble\Core\Outing\WantedSubject;
use ZincThimble\Core\Plan\BagGoal;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Search\Budget;

/** An outing's plan, with what its kit holds now. */
final class PlannedOuting
{
    public function __construct(private readonly OutingStore $store, private readonly OutingArchive $archive, private readonly KitAtHand $hand)
    {
    }

    /**
     * What a plan depends on: as long as it is the same, so is the plan.
     *
     * @return list<int|string|null>
     */
    public function state(Outing $outing): array
    {
        return [$outing->id, $outing->revision, (string) $outing->created_at?->getTimestamp(), $outing->kit_id, $outing->kit?->revision, now()->toDateString()];
    }

    /**
     * @param  (\Closure(): void)|null  $waited  asked now and then; throws when nobody waits any more
     *
     * @throws InvalidFigure names the blank of a wish that can't be so
     */
    public function of(Outing $outing, ?\Closure $waited = null): OutingPlan
    {
        $file = $this->store->read($outing);
        $seconds = config('zinc.outing_seconds');

        return OutingPlanner::plan(
            $outing->kit === null ? new CoreKit(null, []) : $this->kit($outing->kit), self::wanted($file), Conditions::from($file->fields->object('conditions')),
            BagGoal::from($file->fields->stringOr('by', BagGoal::Mass->value)), Budget::of(is_numeric($seconds) ? (float) $seconds : 8.0, $waited), RigStore::REFERENCE,
        );
    }

    /**
     * @return list<WantedSubject> what a file wants, each with its pin
     *
     * @throws InvalidFigure names the blank of a wish that can't be so
     */
    public static function wanted(OutingFile $file): array
    {
        return array_map(static fn (Values $fields, int $s): WantedSubject => WantedSubject::from($fields, $file->pinned[$s] ?? null), $file->subjects, array_keys($file->subjects));
    }

    /** The whole outing as a file for others: parts by the names that files have for them, and nothing of where they are kept here. */
    public function file(Outing $outing, OutingPlan $plan): OutingFile
    {
        $document = json_decode(Json::write(PlanDocument::of($plan)), false, 64, JSON_THROW_ON_ERROR);

        return OutingArchive::forOthers($this->archive->whole($outing, $document instanceof \stdClass ? $document : null), $outing->kit);
    }

    /** Everything that is owned, what stands, moves and lights too, each thing naming the row it came from. */
    private function kit(Kit $kit): CoreKit
    {
        $rows = [];
        foreach ($kit->parts as $row) {
            $rows[(string) $row->ref] = $row->id;
        }
        $owned = [];
        foreach ($kit->parts as $row) {
            $thing = $this->thing($row, $rows);
            if ($thing !== null) {
                $owned[] = new Owned($thing, $row->count);
            }
        }

        return new CoreKit($kit->name, $owned);
    }

    /**
     * @param  array<string, int>  $rows  by what files call them
     */
    private function thing(Part $row, array $rows): Camera|Item|null
    {
        $on = $row->document->marriedTo ?? null;
        $fields = $this->hand->fields($row) + (is_string($on) && isset($rows[$on]) ? ['marriedTo' => (string) $rows[$on]] : []);
        try {
            // One part whose figures can't be read is in nobody's way.
            return $row->kindOf() === Kind::Camera ? Camera::from(new Values($fields)) : Items::make($row->kindOf(), new Values($fields));
        } catch (InvalidFigure) {
            return null;
        }
    }
}
