<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * A link by which anybody may look at a rig as it was when it was shared. The token is kept encrypted, to be shown again to
 * its owner, and found by its hash.
 *
 * @property int $id
 * @property int $rig_id
 * @property string $token_hash
 * @property string $token
 * @property \stdClass $document
 * @property ?\Carbon\CarbonInterface $created_at
 */
final class RigShare extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['token_hash', 'token', 'document'];

    protected $hidden = ['token', 'token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class, 'token' => 'encrypted'];
    }
}
