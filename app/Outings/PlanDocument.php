<?php

declare(strict_types=1);

namespace App\Outings;

use App\Search\RigAsFound;
use ZincThimble\Core\Outing\Assignment;
use ZincThimble\Core\Outing\OutingPlan;
use ZincThimble\Core\Outing\PackedItem;
use ZincThimble\Core\Outing\PlannedRig;
use ZincThimble\Core\Outing\Visit;
use ZincThimble\Core\Search\PurchaseSuggestion;

/** A plan as its file tells it (rig file, version 1, `outing:plan`). */
final class PlanDocument
{
    /** @return array<string, mixed> */
    public static function of(OutingPlan $plan): array
    {
        return [
            'assignments' => array_map(static fn (Assignment $each): array => [
                'subject' => $each->subject->name, 'rig' => $each->letter, 'file' => $each->rig === null ? null : RigAsFound::document($each->rig),
                'without' => $each->without === null ? null : ['massG' => $each->without->massG, 'parts' => $each->without->parts],
                'buy' => array_map(static fn (PurchaseSuggestion $buy): array => ['kind' => $buy->part->kind->value] + $buy->part->document->fields, $each->buying),
            ], $plan->assignments),
            'rigs' => array_map(static fn (PlannedRig $rig): array => ['letter' => $rig->letter, 'parts' => $rig->parts], $plan->rigs),
            'order' => array_map(static fn (Visit $visit): string => $visit->letter, $plan->visits),
            'visits' => array_map(static fn (Visit $visit): array => [
                'rig' => $visit->letter, 'subjects' => array_map(static fn (int $s): string => $plan->assignments[$s]->subject->name, $visit->subjects),
                'undone' => $visit->undone, 'made' => $visit->made,
            ], $plan->visits),
            'bag' => array_map(static fn (PackedItem $item): array => [
                'part' => $item->name, 'count' => $item->count, 'massG' => $item->massG, 'toBuy' => $item->toBuy, 'for' => $item->for,
            ], $plan->bag),
            'massG' => $plan->massG, 'parts' => $plan->parts, 'joints' => $plan->joints, 'optimal' => $plan->optimal, 'atMostOffBy' => $plan->atMostOffBy,
            'leftOut' => $plan->leftOut,
        ];
    }
}
