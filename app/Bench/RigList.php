<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Resources\RigSummary;
use App\Models\Rig;
use App\Models\User;

/** Somebody's rigs, the last changed first, fifty a page. */
final class RigList
{
    private const PAGE = 50;

    /** Words of a search that are looked at. */
    private const WORDS = 10;

    public function __construct(private readonly RigStore $store)
    {
    }

    /**
     * @param  string  $search  every word of it is in their name, their tags or one of their parts
     * @param  int  $page  from 1
     * @return list<RigSummary>
     */
    public function of(User $user, string $search = '', int $page = 1): array
    {
        $query = $user->rigs()->where('loose', false)->with('parts')->latest('updated_at')->latest('id');
        foreach (array_slice(preg_split('/\s+/u', $search, -1, PREG_SPLIT_NO_EMPTY) ?: [], 0, self::WORDS) as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $query->where(fn ($each) => $each->where('name', 'ilike', $like)->orWhereRaw('tags::text ilike ?', [$like])
                ->orWhereRaw("exists (select 1 from rig_parts where rig_parts.rig_id = rigs.id and rig_parts.document->>'name' ilike ?)", [$like]));
        }

        $query->forPage($page, self::PAGE);

        return array_values($query->get()->map(fn (Rig $rig): RigSummary => new RigSummary(
            $rig->id,
            $rig->name,
            $rig->madeOf(),
            $rig->updated_at->toIso8601String(),
            $rig->tags,
            $this->store->trouble($rig),
        ))->all());
    }
}
