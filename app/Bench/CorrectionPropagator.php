<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Part;
use App\Models\Rig;
use ZincThimble\Core\File\FieldGuide;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\Gear\Kind;

/**
 * Rigs follow the corrections of the kit parts they refer to, and say once what changed. Shared links and exported files
 * keep the parts as they were.
 */
final class CorrectionPropagator
{
    /** A change of these is no news to a rig: what belongs to the kit alone, and what a part cost. */
    private const NO_NEWS = [...RigStore::ONLY_KIT, 'price'];

    public function __construct(private readonly RigStore $store)
    {
    }

    /** @return list<Rig> the rigs of the same kit that use a part */
    public function rigsOf(Part $part): array
    {
        return array_values(Rig::query()
            ->where('kit_id', $part->kit_id)
            ->where(fn ($query) => $query->where('camera_id', $part->id)->orWhereHas('parts', fn ($parts) => $parts->where('part_id', $part->id)))
            ->oldest('id')->get()->all());
    }

    public function follow(Part $part, \stdClass $before): void
    {
        $changed = self::changes($part->kindOf(), get_object_vars($before), get_object_vars($part->document));
        if ($changed === []) {
            return;
        }
        foreach ($this->rigsOf($part) as $rig) {
            try {
                $this->store->follow($rig, $part->id, RigStore::inRig($part), (object) ['part' => $part->name ?? $part->kind, 'changes' => $changed, 'followed' => true]);
            } catch (FileInvalid $invalid) {
                // The corrected part would make a rig that can't be: it keeps the old one, and says so.
                $this->store->tell($rig, (object) ['part' => $part->name ?? $part->kind, 'changes' => $changed, 'followed' => false, 'reason' => $invalid->faults[0]->message]);
            }
        }
    }

    /**
     * What of a part reads otherwise now, field by field.
     *
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     * @return list<array{field: string, label: string, unit: string, before: mixed, after: mixed}>
     */
    public static function changes(Kind $kind, array $before, array $after): array
    {
        $changes = [];
        foreach (array_keys($before + $after) as $field) {
            $old = $before[$field] ?? null;
            $new = $after[$field] ?? null;
            if (in_array($field, self::NO_NEWS, true) || json_encode($old) === json_encode($new)) {
                continue;
            }
            $guide = FieldGuide::orName($kind, $field);
            $changes[] = ['field' => $field, 'label' => $guide['label'], 'unit' => $guide['unit'], 'before' => is_scalar($old) ? $old : null, 'after' => is_scalar($new) ? $new : null];
        }

        return $changes;
    }
}
