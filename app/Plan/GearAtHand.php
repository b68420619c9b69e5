<?php

declare(strict_types=1);

namespace App\Plan;

use App\Models\Part;
use App\Models\Rig;
use ZincThimble\Core\Gear\Kind;

/** Flashes, lamps and rails of a rig's kit, as a plan names them, and a rig's plan with the first of each where it says none. */
final class GearAtHand
{
    /** More than these nobody picks from. */
    private const MOST = 200;

    /** What a plan keeps of each kind, and where it stands in it. */
    private const FIELDS = [
        'flash' => [Kind::Flash, ['name', 'guideNumber', 'recycleS']],
        'lamp' => [Kind::Lamp, ['name', 'watts', 'lumensPerWatt']],
        'rail' => [Kind::Rail, ['name', 'pitchMm', 'travelMm']],
    ];

    /** @return array<string, list<array<string, mixed>>> by `flash`, `lamp`, `rail`, in the kit's order */
    public function of(Rig $rig): array
    {
        /** @var list<Part> $rows */
        $rows = $rig->kit_id === null ? [] : Part::query()->where('kit_id', $rig->kit_id)->whereIn('kind', array_map(static fn (array $each): string => $each[0]->value, array_values(self::FIELDS)))
            ->where('count', '>', 0)->oldest('position')->take(self::MOST)->get()->all();
        $found = [];
        foreach (self::FIELDS as $name => [$kind, $fields]) {
            $found[$name] = [];
            foreach ($rows as $row) {
                if ($row->kindOf() === $kind) {
                    $found[$name][] = array_intersect_key($row->fields(), array_flip($fields)) + ['name' => ucfirst($kind->spoken())];
                }
            }
        }

        return $found;
    }

    /**
     * The plan's document, with the kit's first flash, lamp and rail where it names none.
     *
     * @param  array<string, mixed>  $plan
     * @param  array<string, list<array<string, mixed>>>  $gear
     * @return array<string, mixed>
     */
    public static function completed(array $plan, array $gear): array
    {
        foreach ($gear as $name => $all) {
            if (! isset($plan[$name]) && $all !== []) {
                $plan[$name] = $all[0];
            }
        }

        return $plan;
    }
}
