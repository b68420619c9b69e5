<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A stack that is run on the made-up rail.
 *
 * @property int $id
 * @property int $rig_id
 * @property string $state  running, paused, stopped, failed or done
 * @property list<int|float> $positions  of the rail, mm, rising, a frame each
 * @property int $taken  frames that are there; the next is the one of that number
 * @property int $tries  to reach the devices for the next frame
 * @property ?string $reason  why it stands still
 * @property array{aperture: int|float|null, light: int|float, iso: int|float, exposureS: int|float, settleS: int|float, betweenS: int|float, playMm: int|float, secondsAFrame: int|float, crop: array{x: int, y: int, width: int, height: int}, figures: array<string, mixed>} $settings
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Rig $rig
 */
final class StackRun extends Model
{
    protected $fillable = ['rig_id', 'state', 'positions', 'taken', 'tries', 'reason', 'settings'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['positions' => 'array', 'settings' => 'array'];
    }

    /** @return BelongsTo<Rig, $this> */
    public function rig(): BelongsTo
    {
        return $this->belongsTo(Rig::class);
    }

    /** @return HasMany<Frame, $this> */
    public function frames(): HasMany
    {
        return $this->hasMany(Frame::class);
    }

    public function isUnderWay(): bool
    {
        return $this->state === 'running' || $this->state === 'paused';
    }
}
