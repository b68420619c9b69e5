<?php

declare(strict_types=1);

namespace App\Operations;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** What one person may keep. Nobody who photographs comes near it; a loop does. (Parts of a kit: KitStore::MOST_PARTS.) */
final class Quota
{
    /** @throws ValidationException when one rig more would be too many */
    public static function oneMoreRig(User $user): void
    {
        $most = config($user->isGuest() ? 'zinc.most_rigs_of_guest' : 'zinc.most_rigs');
        if ($user->rigs()->where('loose', false)->count() >= $most) {
            throw ValidationException::withMessages(['rigs' => sprintf('You keep %s rigs already, and that is as many as there is room for. Delete some that you no longer need, or export them first.', number_format(is_int($most) ? $most : 0))]);
        }
    }

    /** @throws ValidationException when what is kept by now, histories included, is too much; whoever calls is in a transaction */
    public static function bytes(int $user): void
    {
        $most = config('zinc.most_bytes');
        if (self::kept($user) > $most) {
            throw ValidationException::withMessages(['document' => sprintf('With this, everything you keep would come to more than %d MB. Delete rigs that you no longer need, or export them first.', intdiv(is_int($most) ? $most : 0, 1024 * 1024))]);
        }
    }

    /** Bytes of a person's kits, rigs and outings, with their histories. */
    public static function kept(int $user): int
    {
        $sum = DB::selectOne('select
            (select coalesce(sum(bytes), 0) from rig_steps join rigs on rigs.id = rig_steps.rig_id where rigs.user_id = ?)
            + (select coalesce(sum(bytes), 0) from kit_steps join kits on kits.id = kit_steps.kit_id where kits.user_id = ?)
            + (select coalesce(sum(bytes), 0) from parts join kits on kits.id = parts.kit_id where kits.user_id = ?)
            + (select coalesce(sum(bytes), 0) from outings where user_id = ?)
            + (select coalesce(sum(bytes), 0) from entries where user_id = ?) as bytes', [$user, $user, $user, $user, $user]);

        return $sum instanceof \stdClass && is_numeric($sum->bytes) ? (int) $sum->bytes : 0;
    }
}
