<?php

declare(strict_types=1);

namespace App\Start;

use App\Bench\RigStore;
use App\Kit\KitStore;
use App\Models\Kit;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Rig\Rig as CoreRig;
use ZincThimble\Core\Start\FirstAnswers;
use ZincThimble\Core\Start\FirstParts;
use ZincThimble\Core\Start\FirstRig;

/** Three answers, and what becomes of them: a rig to read at once, and a kit and a rig that are somebody's own. */
final class FirstVisit
{
    public function __construct(private readonly KitStore $kits, private readonly RigStore $rigs)
    {
    }

    /**
     * The rig, set as large as it goes, of no kit yet.
     *
     * @throws \ZincThimble\Core\File\FileInvalid where the figures can be those of no lens
     */
    public function rig(FirstAnswers $answers): CoreRig
    {
        return self::made(FirstParts::of($answers), []);
    }

    /** A guest for so many days, whose own it is what they keep. */
    public static function guest(int $days, ?string $from): User
    {
        return User::query()->create(['name' => 'Guest', 'guest_until' => now()->addDays($days), 'guest_own' => true, 'opened_from' => $from])->refresh();
    }

    /** Parts into a kit that is empty yet, or one of their own, and the rig that they make. */
    public function keep(User $user, FirstAnswers $answers): Rig
    {
        return DB::transaction(function () use ($user, $answers): Rig {
            $made = FirstParts::of($answers);
            $empty = $user->kits()->whereDoesntHave('parts')->oldest('id')->first();
            $kit = $empty instanceof Kit ? $empty : $this->kits->start($user, $this->kits->freeName($user, 'My kit'), null);
            [$camera, $others] = [array_diff_key($made['parts'][0], ['kind' => 0]), array_slice($made['parts'], 1)];
            $items = KitFile::read(self::decoded(['format' => KitFile::FORMAT, 'version' => 1, 'cameras' => [$camera], 'parts' => $others]))->items;
            assert($items !== []);
            $ids = [];
            foreach ($this->kits->add($kit, $items, 'first visit') as $at => $row) {
                $ids[$made['parts'][$at]['id']] = $row->id;
            }

            return $this->rigs->create($user, $kit, self::made($made, $ids), null);
        });
    }

    /**
     * @param  array{parts: list<array<string, mixed>>, chain: list<array<string, mixed>>}  $made
     * @param  array<string, int>  $ids  rows of the kit by the parts' ids; empty = they have none yet
     */
    private static function made(array $made, array $ids): CoreRig
    {
        $part = static fn (array $fields): array => array_diff_key($fields, ['id' => 0]) + (isset($ids[$fields['id']]) ? [RigStore::REFERENCE => $ids[$fields['id']]] : []);

        return FirstRig::asLargeAsItGoes(RigFile::read(self::decoded([
            'format' => RigFile::FORMAT, 'version' => 1, 'camera' => array_diff_key($part($made['parts'][0]), ['kind' => 0]), 'chain' => array_map($part, $made['chain']),
        ])));
    }

    /** @param  array<string, mixed>  $document */
    private static function decoded(array $document): mixed
    {
        return json_decode(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
    }
}
