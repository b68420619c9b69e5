<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody wants of a picture, kept under a name: the blanks of the sentence as they were filled in.
 *
 * @property int $id
 * @property int $kit_id
 * @property string $name
 * @property \stdClass $wish
 * @property ?\Carbon\CarbonInterface $created_at
 * @property ?\Carbon\CarbonInterface $updated_at
 */
final class SavedSearch extends Model
{
    protected $table = 'wishes';

    protected $fillable = ['name', 'wish'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['wish' => JsonDocument::class];
    }

    /** @return BelongsTo<Kit, $this> */
    public function kit(): BelongsTo
    {
        return $this->belongsTo(Kit::class);
    }
}
