<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use App\Bench\KitAtHand;
use App\Models\Part;
use App\Models\Rig;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part as CorePart;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Whose rig a step is taken at, and the kit that lies beside it. */
final readonly class StepContext
{
    /** A rig longer than this is a mistake. */
    public const LONGEST = 40;

    public function __construct(private Rig $row, private KitAtHand $kit)
    {
    }

    /**
     * Parts of the rig's kit, in the order asked for.
     *
     * @param  list<int>  $ids
     * @return list<CorePart>
     *
     * @throws ValidationException names what this kit hasn't got, or what stands in no chain
     * @throws InvalidFigure names the field that no such part can have
     */
    public function parts(array $ids): array
    {
        return array_map(fn (int $id): CorePart => $this->part($id, 'parts'), $ids);
    }

    /**
     * A part of the rig's kit.
     *
     * @param  string  $field  that asked for it
     *
     * @throws ValidationException|InvalidFigure as parts() does
     */
    public function part(int $id, string $field): CorePart
    {
        return $this->kit->part($this->row($id, $field, static fn (Kind $kind): bool => $kind->inChain()));
    }

    /** @throws ValidationException|InvalidFigure as parts() does */
    public function camera(int $id): Camera
    {
        return Camera::from(new Values($this->kit->fields($this->row($id, 'part', static fn (Kind $kind): bool => $kind === Kind::Camera))));
    }

    /** @return list<CorePart> what is not used in the rig */
    public function left(): array
    {
        return $this->kit->left($this->row);
    }

    /**
     * A lens, or a ring of two threads, that goes on only reversed is put in reversed.
     *
     * @param  list<CorePart>  $parts
     * @return list<CorePart>
     */
    public static function wayRound(CoreRig $rig, int $index, array $parts): array
    {
        $behind = $rig->chain[$index - 1] ?? null;
        foreach ($parts as $i => $part) {
            $turned = Mating::of($rig->camera, $behind, $part)->holds() ? null : Mating::turned($part);
            if ($turned !== null && Mating::of($rig->camera, $behind, $turned)->holds()) {
                $parts[$i] = $turned;
            }
            $behind = $parts[$i];
        }

        return $parts;
    }

    /** @param  \Closure(Kind): bool  $fits */
    private function row(int $id, string $field, \Closure $fits): Part
    {
        $part = Part::query()->where('kit_id', $this->row->kit_id)->find($id);
        if (! $part instanceof Part) {
            throw ValidationException::withMessages([$field => 'Your kit has no such part.']);
        }

        return $fits($part->kindOf()) ? $part : throw ValidationException::withMessages([$field => ($part->name ?? 'This').' can’t stand there.']);
    }
}
