<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * Rigs side by side, kept under a name: which ones, and what they are brought to. The rigs themselves go on changing.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property \stdClass $asked
 * @property ?\Carbon\CarbonInterface $created_at
 * @property ?\Carbon\CarbonInterface $updated_at
 * @property \Illuminate\Database\Eloquent\Collection<int, Rig> $rigs
 */
final class KeptComparison extends Model
{
    protected $table = 'comparisons';

    protected $fillable = ['name', 'asked'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => JsonDocument::class];
    }

    /** @return BelongsToMany<Rig, $this> in the order of their letters */
    public function rigs(): BelongsToMany
    {
        $rigs = $this->belongsToMany(Rig::class, 'comparison_rigs', 'comparison_id', 'rig_id');
        $rigs->orderByPivot('place');

        return $rigs;
    }
}
