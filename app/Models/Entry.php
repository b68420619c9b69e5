<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

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
 * @property bool $stands  whether no other takes its place
 * @property string $day  by the clock of who wrote it
 * @property string $parts  names of its rig's parts, one a line
 * @property ?\stdClass $measured
 * @property ?\stdClass $predicted  what was said of its rig then, or what its scales give
 * @property ?Outing $outing
 * @property \stdClass $document
 */
final class Entry extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    /** @return BelongsTo<Outing, $this> */
    public function outing(): BelongsTo
    {
        return $this->belongsTo(Outing::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class, 'at' => 'immutable_datetime', 'magnification' => 'float', 'measured' => JsonDocument::class, 'predicted' => JsonDocument::class];
    }
}
