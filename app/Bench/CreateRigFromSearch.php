<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Kit;
use App\Models\Part;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Rig\Setting;
use ZincThimble\Core\Rig\Subject;

/** Puts a rig that was found on the bench: a new one, whose one step can be undone. */
final class CreateRigFromSearch
{
    public function __construct(private readonly KitAtHand $hand, private readonly RigStore $store)
    {
    }

    /**
     * What isn't owned yet may be planned with, one of each.
     *
     * @param  list<array{part: int, reversed?: bool, lengthMm?: ?float, focus?: ?float, aperture?: ?float, zoomMm?: ?float}>  $parts
     * @param  array<string, mixed>  $subject
     *
     * @throws ValidationException when the kit has no such camera or part, or not as often, or a setting is out of reach
     */
    public function build(User $user, Kit $kit, int $camera, array $parts, ?string $support, array $subject, bool $infinity = false): Rig
    {
        $full = $this->rig($kit, $camera, $parts, $support, $subject, $infinity);
        $empty = $full->withChain([], Setting::untouched());

        return DB::transaction(function () use ($user, $kit, $empty, $full): Rig {
            $rig = $this->store->create($user, $kit, $empty, null);

            return $this->store->keep($rig->load('parts'), $rig->revision, $full, 'set up what was found');
        });
    }

    /**
     * The rig by itself.
     *
     * @param  list<array{part: int, reversed?: bool, lengthMm?: ?float, focus?: ?float, aperture?: ?float, zoomMm?: ?float}>  $parts
     * @param  array<string, mixed>  $subject
     *
     * @throws ValidationException as build() does
     */
    public function rig(Kit $kit, int $camera, array $parts, ?string $support, array $subject, bool $infinity = false, ?string $name = null): CoreRig
    {
        $rows = $kit->parts->keyBy('id');
        $body = $rows->get($camera);
        if (! $body instanceof Part || $body->kindOf() !== Kind::Camera) {
            throw ValidationException::withMessages(['camera' => 'Your kit has no such camera.']);
        }
        $used = $chain = $length = $focus = $aperture = $zoom = [];
        foreach ($parts as $i => $each) {
            $row = $rows->get($each['part']);
            $used[$each['part']] = ($used[$each['part']] ?? 0) + 1;
            if (! $row instanceof Part || ! $row->kindOf()->inChain() || $used[$each['part']] > max(1, $row->count)) {
                throw ValidationException::withMessages(['parts.'.$i.'.part' => 'Your kit has no such part, or not as often.']);
            }
            $made = $this->hand->part($row);
            $part = ($each['reversed'] ?? false) ? Mating::turned($made) ?? $made : $made;
            $chain[] = $part;
            $length[] = $part instanceof VariableSpacer ? self::within($each['lengthMm'] ?? null, $part->minMm, $part->maxMm, 'parts.'.$i.'.lengthMm') : null;
            $focus[] = $part instanceof Lens ? self::within($each['focus'] ?? null, 0.0, 1.0, 'parts.'.$i.'.focus') : null;
            $aperture[] = $part instanceof Lens ? self::within($each['aperture'] ?? null, 0.5, 256.0, 'parts.'.$i.'.aperture') : null;
            $zoom[] = $part instanceof Lens && $part->isZoom() ? self::within($each['zoomMm'] ?? null, 1.0, 2000.0, 'parts.'.$i.'.zoomMm') : null;
        }
        $conditions = Conditions::from(new Values(($support === null ? [] : ['support' => $support]) + ($infinity ? ['infinity' => true] : [])));
        $empty = CoreRig::of(Camera::from(new Values($this->hand->fields($body))), [], Setting::untouched(), $conditions, $subject === [] ? null : Subject::from(new Values($subject)), $name);

        return $empty->withChain($chain, new Setting($length, $focus, $aperture, $zoom, array_fill(0, count($chain), null), array_fill(0, count($chain), null), null));
    }

    private static function within(?float $value, float $least, float $most, string $field): ?float
    {
        if ($value !== null && ($value < $least - 1e-6 || $value > $most + 1e-6)) {
            throw ValidationException::withMessages([$field => sprintf('It goes from %s to %s.', $least, $most)]);
        }

        return $value === null ? null : max($least, min($most, $value));
    }
}
