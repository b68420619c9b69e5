<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Resources\ShareView;
use App\Models\Rig;
use App\Models\RigShare;
use Illuminate\Support\Str;

/** Links by which anybody may look at a rig as it was when it was shared; withdrawn, they lead nowhere. */
final class Sharing
{
    public function __construct(private readonly RigStore $store)
    {
    }

    /** The link of a rig, made anew with the rig as it is now. */
    public function share(Rig $rig): RigShare
    {
        $token = Str::random(40);
        $share = $rig->share()->updateOrCreate([], ['token' => $token, 'token_hash' => self::hash($token), 'document' => json_decode($this->store->export($rig))]);
        $rig->setRelation('share', $share);

        return $share;
    }

    public function withdraw(Rig $rig): void
    {
        $rig->share()->delete();
        $rig->setRelation('share', null);
    }

    public function find(string $token): ?RigShare
    {
        return RigShare::query()->where('token_hash', self::hash($token))->first();
    }

    public static function view(RigShare $share): ShareView
    {
        return new ShareView(url('/shared/'.$share->token), ($share->created_at ?? now())->toIso8601String());
    }

    /** By which a link is found: who reads the table can't follow it. */
    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
