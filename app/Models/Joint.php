<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A joint that somebody added to the shipped ones.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property ?string $used_for
 * @property ?float $register_mm
 * @property ?float $throat_mm
 */
final class Joint extends Model
{
    protected $fillable = ['name', 'used_for', 'register_mm', 'throat_mm'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['register_mm' => 'float', 'throat_mm' => 'float'];
    }
}
