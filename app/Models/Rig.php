<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A rig on somebody's bench.
 *
 * @property int $id
 * @property int $user_id
 * @property ?int $kit_id
 * @property ?string $name
 * @property ?int $camera_id
 * @property \stdClass $camera
 * @property \stdClass $conditions
 * @property ?\stdClass $subject
 * @property \stdClass $extra
 * @property int $revision
 * @property int $step
 * @property Carbon $updated_at
 * @property \Illuminate\Database\Eloquent\Collection<int, RigPart> $parts
 */
final class Rig extends Model
{
    protected $fillable = ['kit_id', 'name', 'camera_id', 'camera', 'conditions', 'subject', 'extra', 'revision', 'step'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'camera' => JsonDocument::class,
            'conditions' => JsonDocument::class,
            'subject' => JsonDocument::class,
            'extra' => JsonDocument::class,
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<RigPart, $this> */
    public function parts(): HasMany
    {
        $parts = $this->hasMany(RigPart::class);
        $parts->oldest('place');

        return $parts;
    }

    /** @return HasMany<RigStep, $this> */
    public function steps(): HasMany
    {
        $steps = $this->hasMany(RigStep::class);
        $steps->oldest('number');

        return $steps;
    }
}
