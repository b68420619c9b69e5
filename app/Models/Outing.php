<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;

/**
 * A planned and recorded day. The document is the outing's file without its plan and its entries; the columns repeat what is searched or
 * constrained.
 *
 * @property int $id
 * @property int $user_id
 * @property ?int $kit_id
 * @property string $name
 * @property ?string $held_on
 * @property int $revision
 * @property ?int $entries_count  where it was asked for
 * @property \stdClass $document
 * @property ?Kit $kit
 * @property ?\Carbon\CarbonInterface $created_at
 * @property ?\Carbon\CarbonInterface $updated_at
 * @property \Illuminate\Database\Eloquent\Collection<int, OutingTick> $ticks
 */
final class Outing extends Model
{
    protected $fillable = ['kit_id', 'name', 'held_on', 'revision', 'document'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class];
    }

    /** @return BelongsTo<Kit, $this> */
    public function kit(): BelongsTo
    {
        return $this->belongsTo(Kit::class);
    }

    /** @return HasMany<OutingTick, $this> */
    public function ticks(): HasMany
    {
        return $this->hasMany(OutingTick::class);
    }

    /** @return HasMany<Entry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(Entry::class);
    }

    /** A name for its files. */
    public function fileName(): string
    {
        return Str::slug(mb_substr($this->name, 0, 80)) ?: 'outing';
    }
}
