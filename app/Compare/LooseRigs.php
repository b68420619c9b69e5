<?php

declare(strict_types=1);

namespace App\Compare;

use App\Bench\RigStore;
use App\Models\Kit;
use App\Models\Rig;
use App\Models\User;
use App\Operations\Quota;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use ZincThimble\Core\Rig\Rig as CoreRig;

/** Rigs that are set up only to be compared: on no list, and forgotten when they have served. */
final class LooseRigs
{
    public function __construct(private readonly RigStore $store)
    {
    }

    /**
     * @param  list<CoreRig>  $rigs
     * @return list<int> their numbers, in the same order
     */
    public function add(User $user, ?Kit $kit, array $rigs): array
    {
        return DB::transaction(function () use ($user, $kit, $rigs): array {
            $kept = $user->rigs()->where('loose', true)->count() - self::unkept()->where('user_id', $user->id)->count();
            $this->makeRoom($user, min(self::most('most_loose_rigs'), self::most('most_kept_loose_rigs') - $kept) - count($rigs));
            self::hold($user, count($rigs));
            $ids = array_map(fn (CoreRig $rig): int => $this->store->create($user, $kit, $rig, $rig->name, loose: true)->id, $rigs);
            Quota::bytes($user->id);

            return $ids;
        });
    }

    /**
     * Those that comparisons keep make no room; they are held to a number of their own.
     *
     * @param  int  $more  that are about to come
     *
     * @throws ValidationException when that would be too many
     */
    public static function hold(User $user, int $more): void
    {
        if ($user->rigs()->where('loose', true)->count() + $more > self::most('most_kept_loose_rigs')) {
            throw ValidationException::withMessages(['rigs' => 'The comparisons that you keep hold as many rigs as there is room for. Forget one that you no longer need.']);
        }
    }

    private static function most(string $what): int
    {
        $most = config('zinc.'.$what);

        return is_int($most) ? $most : 0;
    }

    /** Forgets those that no comparison keeps and nobody has touched for so long. */
    public static function sweep(): int
    {
        $days = config('zinc.loose_days');
        $gone = self::unkept()->where('updated_at', '<', now()->subDays(is_int($days) ? $days : 30))->delete();

        return is_int($gone) ? $gone : 0;
    }

    /** The oldest that no comparison keeps make room for new ones. */
    private function makeRoom(User $user, int $left): void
    {
        $count = self::unkept()->where('user_id', $user->id)->count();
        if ($count > $left) {
            $oldest = self::unkept()->where('user_id', $user->id)->oldest('updated_at')->oldest('id')->limit($count - max(0, $left))->pluck('id');
            Rig::query()->whereKey($oldest)->delete();
        }
    }

    /** @return Builder<Rig> */
    private static function unkept(): Builder
    {
        $loose = Rig::query()->where('loose', true);
        $loose->whereNotExists(static function (\Illuminate\Database\Query\Builder $kept): void {
            $kept->from('comparison_rigs')->whereColumn('comparison_rigs.rig_id', 'rigs.id');
        });

        return $loose;
    }
}
