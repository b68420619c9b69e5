<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
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
        return array_values($this->made($rig, $this->rows($rig)));
    }

    /**
     * The parts of a rig's kit as they lie there.
     *
     * @return list<Part>
     */
    public function rows(Rig $rig): array
    {
        return array_values(Part::query()->where('kit_id', $rig->kit_id)->oldest('position')->get()->all());
    }

    /**
     * Those of them that can stand in a chain, can be read and are not all used in this rig, by row.
     *
     * @param  list<Part>  $rows
     * @return array<int, CorePart>
     */
    public function made(Rig $rig, array $rows): array
    {
        $used = self::used($rig);
        $parts = [];
        foreach ($rows as $part) {
            $made = $part->kindOf()->inChain() && $part->count > ($used[$part->id] ?? 0) ? $this->readable($part) : null;
            if ($made !== null) {
                $parts[$part->id] = $made;
            }
        }

        return $parts;
    }

    /**
     * How many of each part of a kit stand in a rig, by row.
     *
     * @return array<int, int>
     */
    public static function used(Rig $rig): array
    {
        return array_count_values(array_filter($rig->parts->map(fn ($part): int => $part->part_id ?? 0)->all()));
    }

    /** The part, or null where its figures can't be read any more: one such part is in nobody's way. */
    public function readable(Part $part): ?CorePart
    {
        try {
            return $this->part($part);
        } catch (InvalidFigure) {
            return null;
        }
    }

    public function camera(Part $part): ?Camera
    {
        try {
            return Camera::from(new Values($this->fields($part)));
        } catch (InvalidFigure) {
            return null;
        }
    }

    /** The row of the lens that doesn't come off a camera: of several the one that is kept on it; null where its lenses come off. */
    public function builtInLens(Kit $kit, Part $camera): ?int
    {
        if ($this->camera($camera)?->front->main()?->type !== JointType::Fixed) {
            return null;
        }
        $found = null;
        foreach ($kit->parts()->where('kind', Kind::Lens->value)->where('count', '>', 0)->oldest('position')->get() as $row) {
            if ($this->readable($row)?->identity->rear->main()?->type !== JointType::Fixed) {
                continue;
            }
            if (($row->document->marriedTo ?? null) === $camera->ref) {
                return $row->id;
            }
            $found ??= $row->id;
        }

        return $found;
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
        return $part->fields((object) RigStore::inRig($part));
    }
}
