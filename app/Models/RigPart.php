<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * A part as it stands in a rig: where, which, and how it is set.
 *
 * @property int $id
 * @property int $rig_id
 * @property ?int $part_id
 * @property ?int $kit_id the rig's own, where it refers to a part
 * @property int $place
 * @property string $kind
 * @property \stdClass $document
 * @property bool $reversed
 * @property bool $working
 * @property bool $makeshift
 * @property ?float $length_mm
 * @property ?float $focus
 * @property ?float $aperture
 * @property ?float $zoom_mm
 * @property ?float $swing_deg
 * @property ?float $shift_mm
 */
final class RigPart extends Model
{
    public $timestamps = false;

    protected $fillable = [
        'part_id', 'kit_id', 'place', 'kind', 'document', 'reversed', 'working', 'length_mm', 'focus', 'aperture', 'zoom_mm', 'swing_deg', 'shift_mm', 'makeshift',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'document' => JsonDocument::class, 'reversed' => 'boolean', 'working' => 'boolean', 'makeshift' => 'boolean',
            'length_mm' => 'float', 'focus' => 'float', 'aperture' => 'float', 'zoom_mm' => 'float', 'swing_deg' => 'float', 'shift_mm' => 'float',
        ];
    }
}
