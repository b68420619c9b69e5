<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * One step of a kit's history: a list of {part, before, after}; null before or after = not in the kit then.
 *
 * @property int $id
 * @property int $kit_id
 * @property int $number
 * @property string $label
 * @property list<\stdClass> $changes
 * @property ?\Carbon\CarbonInterface $created_at
 */
final class KitStep extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['number', 'label', 'changes'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['changes' => JsonDocument::class];
    }
}
