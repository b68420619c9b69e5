<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * One entry of an outing's log, as it was written down on some device.
 *
 * @property int $user_id
 * @property string $id
 * @property int $outing_id
 * @property int $number
 * @property \Carbon\CarbonInterface $at
 * @property ?string $subject
 * @property ?float $magnification
 * @property ?int $result
 * @property \stdClass $document
 */
final class Entry extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class, 'at' => 'immutable_datetime', 'magnification' => 'float'];
    }
}
