<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What stands before a rig's made-up camera, and how that is set.
 *
 * @property int $id
 * @property int $rig_id
 * @property string $table_name  of the made-up table
 * @property string $target
 * @property bool $hidden  whether its lens truly is something else than is known of it
 * @property bool $closed  whether the diaphragm is closed while composing
 * @property bool $lost  whether the connection is switched off
 * @property float $exposure_stops  more than right
 * @property float $rail_mm  where the rail said last that it stands
 * @property string $laid  what lies on the table, in a word: another means that it has to be laid anew
 * @property ?string $task  what is to be done before it, of `CameraTask`; null = nothing
 * @property ?\Carbon\CarbonInterface $task_at  since when
 * @property Rig $rig
 */
final class Look extends Model
{
    protected $fillable = ['rig_id', 'table_name', 'target', 'hidden', 'closed', 'lost', 'exposure_stops', 'rail_mm', 'laid', 'task', 'task_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['hidden' => 'boolean', 'closed' => 'boolean', 'lost' => 'boolean', 'exposure_stops' => 'float', 'rail_mm' => 'float', 'task_at' => 'datetime'];
    }

    /** @return BelongsTo<Rig, $this> */
    public function rig(): BelongsTo
    {
        return $this->belongsTo(Rig::class);
    }
}
