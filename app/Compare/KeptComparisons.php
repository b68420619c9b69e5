<?php

declare(strict_types=1);

namespace App\Compare;

use App\Http\Resources\KeptComparisonView;
use App\Models\KeptComparison;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Comparisons kept under a name. */
final class KeptComparisons
{
    public const MOST = 200;

    /**
     * @param  list<Rig>  $rigs  the person's own
     * @param  array<string, mixed>  $blanks
     *
     * @throws ValidationException when the name is taken, or there is no room
     */
    public function keep(User $user, string $name, array $rigs, array $blanks): KeptComparison
    {
        if ($user->comparisons()->count() >= self::MOST) {
            throw ValidationException::withMessages(['name' => 'Two hundred comparisons are kept already. Drop one first.']);
        }
        try {
            return DB::transaction(static function () use ($user, $name, $rigs, $blanks): KeptComparison {
                $kept = $user->comparisons()->create(['name' => $name, 'asked' => (object) $blanks]);
                DB::table('comparison_rigs')->insert(array_map(static fn (Rig $rig, int $place): array => ['comparison_id' => $kept->id, 'rig_id' => $rig->id, 'user_id' => $user->id, 'place' => $place], $rigs, array_keys($rigs)));

                return $kept;
            });
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'You already keep a comparison of that name.']);
        }
    }

    public static function view(KeptComparison $kept): KeptComparisonView
    {
        $rigs = array_values($kept->rigs->all());

        return new KeptComparisonView(
            $kept->id, $kept->name, array_map(static fn (Rig $rig): int => $rig->id, $rigs), $kept->asked,
            array_map(static fn (Rig $rig): string => $rig->name ?? $rig->madeOf(), $rigs),
        );
    }
}
