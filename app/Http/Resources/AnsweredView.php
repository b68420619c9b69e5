<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How good an answer was. */
#[OA\Schema(required: ['known', 'inside', 'off', 'score', 'dueOn', 'skills'])]
final readonly class AnsweredView
{
    /** @param  list<SkillView>  $skills */
    public function __construct(
        #[OA\Property(description: 'Whether it counts as known')]
        public bool $known,
        #[OA\Property(description: 'Whether the truth lay within the width')]
        public bool $inside,
        #[OA\Property(description: 'How far off: a share, or stops of light; null = a word, or nothing was answered')]
        public ?float $off,
        #[OA\Property(description: 'The interval score of its width, less is better; null likewise')]
        public ?float $score,
        #[OA\Property(description: 'When it comes back; null = it doesn’t', format: 'date')]
        public ?string $dueOn,
        #[OA\Property(items: new OA\Items(ref: SkillView::class))]
        public array $skills,
    ) {
    }
}
