<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Practice\Skill;

/** How well one skill is known. */
#[OA\Schema(required: ['skill', 'figures', 'words', 'right', 'within', 'inStops', 'coverage', 'bar'])]
final readonly class SkillView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: Skill::class)]
        public Skill $skill,
        #[OA\Property(description: 'Figures that were answered, of the newest')]
        public int $figures,
        #[OA\Property(description: 'Words that were')]
        public int $words,
        #[OA\Property(description: 'And how many of those were right')]
        public int $right,
        #[OA\Property(description: 'The middle one of how far off figures were; null = not enough yet')]
        public ?float $within,
        #[OA\Property(description: 'Whether that is in stops; otherwise a share')]
        public bool $inStops,
        #[OA\Property(description: 'Share of widths that the truth lay in; honest ones hold nine times in ten')]
        public ?float $coverage,
        #[OA\Property(description: '0 to 1; null = not enough yet')]
        public ?float $bar,
    ) {
    }
}
