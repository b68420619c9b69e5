<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Bench\RigStore;
use App\Kit\KitStore;
use App\Models\User;
use App\Operations\Quota;
use Illuminate\Support\Facades\DB;

/** What a guest told of their own gear goes along when they sign in: kits, rigs, comparisons, joints. The guest is gone then. */
final class Belongings
{
    public function __construct(private readonly RigStore $rigs, private readonly KitStore $kits)
    {
    }

    public function bring(User $guest, User $to): void
    {
        if (! $guest->isGuest() || ! $guest->guest_own || $guest->is($to)) {
            return;
        }
        DB::transaction(function () use ($guest, $to): void {
            User::query()->whereKey([$guest->id, $to->id])->orderBy('id')->lockForUpdate()->get();
            foreach ($guest->rigs()->get()->whereNotNull('name') as $rig) {
                $rig->timestamps = false;
                $rig->update(['name' => $this->rigs->freeName($to, (string) $rig->name)]);
            }
            foreach ($guest->kits()->get() as $kit) {
                $kit->update(['name' => $this->kits->freeName($to, $kit->name)]);
            }
            DB::statement('set constraints all deferred');
            foreach (['joints', 'comparisons'] as $named) {
                // What somebody has under the same name already is the one that stays.
                DB::table($named)->where('user_id', $guest->id)->whereNotIn('name', DB::table($named)->where('user_id', $to->id)->select('name'))->update(['user_id' => $to->id]);
            }
            DB::table('comparison_rigs')->whereIn('comparison_id', DB::table('comparisons')->where('user_id', $to->id)->select('id'))->update(['user_id' => $to->id]);
            DB::table('kits')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::table('rigs')->where('user_id', $guest->id)->update(['user_id' => $to->id]);
            DB::statement('set constraints all immediate');
            Quota::bytes($to->id);
            $guest->delete();
        });
    }
}
