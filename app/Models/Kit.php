<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletingScope;

/**
 * All that a person owns.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property ?string $currency
 * @property \stdClass $extra
 * @property int $revision
 * @property int $step
 * @property ?\Carbon\CarbonInterface $created_at
 * @property ?\Carbon\CarbonInterface $updated_at
 * @property \Illuminate\Database\Eloquent\Collection<int, KitStep> $steps
 * @property \Illuminate\Database\Eloquent\Collection<int, Part> $parts
 * @property \Illuminate\Database\Eloquent\Collection<int, SavedSearch> $wishes
 */
final class Kit extends Model
{
    protected $fillable = ['name', 'currency', 'extra', 'revision', 'step'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['extra' => JsonDocument::class];
    }

    /**
     * What tells one state of one kit from every other, for what is kept outside of the database. Numbers alone don't: a database that was brought
     * back to an older state gives them out once more, and what was kept doesn't go back with it.
     *
     * @return array{int, int, int, ?int}
     */
    public function state(): array
    {
        return [$this->id, $this->revision, $this->user_id, $this->created_at?->getTimestamp()];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        $parts = $this->hasMany(Part::class);
        $parts->oldest('position');

        return $parts;
    }

    /**
     * Deleted parts, the last one first.
     *
     * @return HasMany<Part, $this>
     */
    public function deletedParts(): HasMany
    {
        $deleted = $this->hasMany(Part::class);
        $deleted->withoutGlobalScope(SoftDeletingScope::class);
        $deleted->whereNotNull('deleted_at');
        $deleted->latest('deleted_at');

        return $deleted;
    }

    /** @return HasMany<KitStep, $this> */
    public function steps(): HasMany
    {
        $steps = $this->hasMany(KitStep::class);
        $steps->oldest('number');

        return $steps;
    }

    /** @return HasMany<SavedSearch, $this> */
    public function wishes(): HasMany
    {
        $wishes = $this->hasMany(SavedSearch::class);
        $wishes->oldest('name');

        return $wishes;
    }
}
