<?php

declare(strict_types=1);

namespace App\Rigs;

use App\Models\Part;
use App\Models\Rig;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;

/** The parts of a rig's kit as the core knows them, each naming the row it came from. */
final class KitAtHand
{
    /**
     * Parts that can stand in a chain and are not all used in this rig.
     *
     * @return list<CorePart>
     */
    public function left(Rig $rig): array
    {
        $used = array_count_values(array_filter($rig->parts->map(fn ($part): int => $part->part_id ?? 0)->all()));
        $parts = [];
        foreach (Part::query()->where('kit_id', $rig->kit_id)->oldest('position')->get() as $part) {
            if ($part->kindOf()->inChain() && $part->count > ($used[$part->id] ?? 0)) {
                $parts[] = $this->part($part);
            }
        }

        return $parts;
    }

    /** @throws InvalidFigure names the field that no such part can have */
    public function part(Part $part): CorePart
    {
        return Parts::make($part->kindOf(), new Values($this->fields($part)));
    }

    /**
     * The fields of a kit's part without what only a kit has, and with the row it refers to.
     *
     * @return array<string, mixed>
     */
    public function fields(Part $part): array
    {
        return [RigStore::REFERENCE => $part->id] + array_intersect_key($part->fields(), RigStore::inRig($part));
    }
}
