<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A club's evening: the same questions for several, under a link.
 *
 * @property int $id
 * @property int $user_id
 * @property string $title
 * @property string $token
 * @property string $token_hash
 * @property list<\stdClass> $questions  each a question as it is handed out, with its kind and name
 * @property \Carbon\CarbonInterface $created_at
 * @property \Illuminate\Database\Eloquent\Collection<int, PracticeSheet> $sheets
 * @property ?int $sheets_count
 */
final class PracticeEvening extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'title', 'token', 'token_hash', 'questions', 'created_at'];

    protected $hidden = ['token', 'token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['questions' => JsonDocument::class, 'token' => 'encrypted'];
    }

    /** @return HasMany<PracticeSheet, $this> */
    public function sheets(): HasMany
    {
        $sheets = $this->hasMany(PracticeSheet::class);
        $sheets->oldest('id');

        return $sheets;
    }
}
