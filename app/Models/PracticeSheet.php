<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;

/**
 * What one of a club's evening answered. Whoever has its key may go on with it; without a name it is nobody's.
 *
 * @property int $id
 * @property int $practice_evening_id
 * @property string $key_hash
 * @property ?string $name
 * @property list<?\stdClass> $answers  guess, low and high of each question; null = not answered yet
 */
final class PracticeSheet extends Model
{
    protected $fillable = ['practice_evening_id', 'key_hash', 'name', 'answers'];

    protected $hidden = ['key_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answers' => JsonDocument::class];
    }
}
