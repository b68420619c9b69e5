<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * All that a person owns.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property ?string $currency
 * @property \Illuminate\Database\Eloquent\Collection<int, Part> $parts
 */
final class Kit extends Model
{
    protected $fillable = ['name', 'currency'];

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
}
