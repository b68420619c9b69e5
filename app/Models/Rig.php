<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

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
 * @property list<\stdClass> $news
 * @property list<string> $tags
 * @property bool $loose set up to be compared, and on no list until somebody puts it on the bench
 * @property Carbon $updated_at
 * @property Carbon $created_at
 * @property ?RigShare $share
 * @property \Illuminate\Database\Eloquent\Collection<int, RigStep> $steps
 * @property \Illuminate\Database\Eloquent\Collection<int, RigPart> $parts
 */
final class Rig extends Model
{
    protected $fillable = ['kit_id', 'name', 'camera_id', 'camera', 'conditions', 'subject', 'extra', 'revision', 'step', 'news', 'tags', 'loose'];

    /** As the database writes them: read in another form, each is refused first and guessed then. */
    protected $dateFormat = 'Y-m-d H:i:sO';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'camera' => JsonDocument::class,
            'conditions' => JsonDocument::class,
            'subject' => JsonDocument::class,
            'extra' => JsonDocument::class,
            'news' => JsonDocument::class,
            'tags' => 'array',
            'loose' => 'boolean',
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

    /** What it is made of, from the camera outwards: its parts by their names. */
    public function madeOf(): string
    {
        return $this->parts->map(static fn (RigPart $part): string => is_string($part->document->name ?? null) ? $part->document->name : $part->kind)->implode(' + ');
    }

    /** What a file of it is called, without its ending. */
    public function fileName(): string
    {
        return Str::slug($this->name ?? 'rig') ?: 'rig';
    }

    /** @return HasMany<RigStep, $this> */
    public function steps(): HasMany
    {
        $steps = $this->hasMany(RigStep::class);
        $steps->oldest('number');

        return $steps;
    }

    /** @return HasOne<RigShare, $this> */
    public function share(): HasOne
    {
        return $this->hasOne(RigShare::class);
    }
}
