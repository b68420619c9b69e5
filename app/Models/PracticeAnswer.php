<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use ZincThimble\Core\Practice\Skill;

/**
 * What somebody answered, and how good it was. It stays when its kit is gone: it says how well they know it.
 *
 * @property int $id
 * @property int $user_id
 * @property ?int $practice_question_id
 * @property Skill $skill
 * @property bool $is_word
 * @property int $round
 * @property ?float $guess  null = they didn't know
 * @property ?float $low
 * @property ?float $high
 * @property bool $known
 * @property bool $inside
 * @property ?float $error
 * @property ?float $score
 * @property \Carbon\CarbonInterface $answered_at
 */
final class PracticeAnswer extends Model
{
    public $timestamps = false;

    protected $fillable = ['user_id', 'practice_question_id', 'skill', 'is_word', 'round', 'guess', 'low', 'high', 'known', 'inside', 'error', 'score', 'answered_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['skill' => Skill::class, 'is_word' => 'boolean', 'guess' => 'float', 'low' => 'float', 'high' => 'float', 'known' => 'boolean', 'inside' => 'boolean', 'error' => 'float', 'score' => 'float', 'answered_at' => 'datetime'];
    }
}
