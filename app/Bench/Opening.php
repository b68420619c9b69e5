<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Resources\Person;
use App\Http\Resources\RigSummary;
use App\Http\Resources\RigView;
use App\Models\Rig;
use App\Models\User;
use Illuminate\Support\Facades\Gate;
use ZincThimble\Core\File\FileInvalid;

/** What the bench asks first when it is opened, answered before it is asked: the very answers of the API, by their addresses. */
final class Opening
{
    public function __construct(private readonly RigList $list, private readonly RigStore $store, private readonly RigViews $views)
    {
    }

    /**
     * @param  int|null  $wanted  the rig that the address names; null = the last one changed
     * @return array<string, Person|list<RigSummary>|RigView>
     */
    public function answers(User $user, ?int $wanted): array
    {
        $rigs = $this->list->of($user);
        $answers = ['/api/me' => Person::of($user), '/api/rigs' => $rigs];
        $shown = $wanted ?? ($rigs[0]->id ?? null);
        $rig = $shown === null ? null : Rig::query()->find($shown);
        if ($rig !== null && Gate::forUser($user)->allows('view', $rig)) {
            try {
                $answers["/api/rigs/{$rig->id}"] = $this->views->rig($rig, $this->store->read($rig));
            } catch (FileInvalid) {
                // What is wrong with it is told where it is asked for.
            }
        }

        return $answers;
    }
}
