<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A frame of the made-up camera, with its figures inside. The picture itself is asked for by itself.
 *
 * @property int $id
 * @property int $rig_id
 * @property ?int $stack_run_id
 * @property ?int $number  in its stack
 * @property array<string, mixed> $figures
 * @property Carbon $created_at
 */
final class Frame extends Model
{
    public const UPDATED_AT = null;

    /** What is read of one that isn't shown. */
    public const TOLD = ['id', 'rig_id', 'stack_run_id', 'number', 'figures', 'created_at'];

    protected $fillable = ['rig_id', 'stack_run_id', 'number', 'figures'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figures' => 'array'];
    }
}
