<?php

declare(strict_types=1);

namespace App\Kit;

use App\Models\KitStep;
use App\Models\Part;
use ZincThimble\Core\File\FileInvalid;

/** Lenses that a ruler rewrote before shots were kept, carried over once: as their shot where it can be told, else as they are. */
final class CarryOver
{
    public function __construct(private readonly KitStore $store)
    {
    }

    /** @return array{int, int} how many were told as a shot, and how many stay as they are */
    public function all(): array
    {
        $told = $left = 0;
        $rewritten = Part::query()->where('kind', 'lens')->whereRaw("document->'measured'->'registerMm' is not null and document->'shots' is null")->oldest('id')->pluck('id');
        foreach ($rewritten as $id) {
            $part = Part::query()->whereKey($id)->first();
            if ($part instanceof Part) {
                $this->one($part) ? $told++ : $left++;
            }
        }

        return [$told, $left];
    }

    private function one(Part $part): bool
    {
        $before = $this->before($part);
        $register = $before === null ? $this->ofItsMount($part) : $before['registerMm'];
        $fields = $register === null ? null : CarriedCalibration::of($part->fields(), $register, $before['principalGapMm'] ?? null);
        if ($fields === null) {
            return false;
        }
        try {
            $item = PartDocument::read(json_decode(json_encode((object) (['kind' => 'lens'] + $fields), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR), '/part');
        } catch (FileInvalid) {
            return false;
        }
        // A step of the kit's history like any other: rigs follow it, and undo takes it back.
        $this->store->update($part, $part->version, $item, 'keep the shot of '.($part->name ?? 'a lens'));

        return true;
    }

    /** @return ?array{registerMm: float, principalGapMm: ?float} what stood there before it was measured, if the history still has it */
    private function before(Part $part): ?array
    {
        foreach (KitStep::query()->where('kit_id', $part->kit_id)->orderByDesc('number')->cursor() as $step) {
            foreach ($step->changes as $change) {
                $was = ($change->part ?? null) === $part->id ? $change->before->fields ?? null : null;
                if ($was instanceof \stdClass && ! isset($was->measured->registerMm) && is_numeric($was->registerMm ?? null)) {
                    return ['registerMm' => (float) $was->registerMm, 'principalGapMm' => is_numeric($was->principalGapMm ?? null) ? (float) $was->principalGapMm : null];
                }
            }
        }

        return null;
    }

    /** The register of a camera of the same kit that this lens goes on as it is. */
    private function ofItsMount(Part $part): ?float
    {
        if ($part->rear === null) {
            return null;
        }
        $camera = Part::query()->where('kit_id', $part->kit_id)->where('kind', 'camera')->where('front', $part->rear)->first();
        $register = $camera?->fields()['registerMm'] ?? null;

        return is_int($register) || is_float($register) ? (float) $register : null;
    }
}
