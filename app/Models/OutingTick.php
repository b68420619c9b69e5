<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One line of an outing's packing list or of its checks, and whether it is done.
 *
 * @property int $outing_id
 * @property string $what
 * @property bool $ticked
 */
final class OutingTick extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = null;

    protected $fillable = ['what', 'ticked', 'said_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ticked' => 'boolean'];
    }
}
