<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\JsonDocument;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use ZincThimble\Core\Practice\QuestionKind;

/**
 * A question of a kit: when it was handed out, as what, and when it comes back.
 *
 * @property int $id
 * @property int $kit_id
 * @property QuestionKind $kind
 * @property string $name
 * @property ?\stdClass $document  as it was handed out; null = the kit gives it again
 * @property int $kit_revision  of the kit that it was made from; 0 = of none that is still as it was
 * @property int $round  how often it was handed out before
 * @property bool $is_open  whether it waits for an answer
 * @property ?int $box  in which it lies; null = it comes back no more
 * @property ?string $due_on  the day on which it comes back
 * @property \Carbon\CarbonInterface $handed_at
 * @property Kit $kit
 */
final class PracticeQuestion extends Model
{
    public $timestamps = false;

    protected $fillable = ['kit_id', 'kind', 'name', 'document', 'kit_revision', 'round', 'is_open', 'box', 'due_on', 'handed_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => JsonDocument::class, 'kind' => QuestionKind::class, 'is_open' => 'boolean', 'handed_at' => 'datetime'];
    }

    /** @return BelongsTo<Kit, $this> */
    public function kit(): BelongsTo
    {
        return $this->belongsTo(Kit::class);
    }
}
