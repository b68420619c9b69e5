<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * A rig as it was after one step of its history.
 *
 * @property int $id
 * @property int $rig_id
 * @property int $number
 * @property string $label
 * @property \stdClass $document
 * @property ?string $sent_as what its sender called it
 * @property ?\Carbon\CarbonInterface $created_at
 */
final class RigStep extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['number', 'label', 'document', 'sent_as'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class];
    }
}
