<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Today's questions of a kit, and how well their person knows it. */
#[OA\Schema(required: ['questions', 'skills', 'tasks', 'waiting', 'nextOn', 'rig'])]
final readonly class PracticeView
{
    /**
     * @param  list<PracticeQuestionView>  $questions
     * @param  list<SkillView>  $skills
     * @param  list<TaskView>  $tasks
     */
    public function __construct(
        #[OA\Property(description: 'What comes back first', items: new OA\Items(ref: PracticeQuestionView::class))]
        public array $questions,
        #[OA\Property(items: new OA\Items(ref: SkillView::class))]
        public array $skills,
        #[OA\Property(items: new OA\Items(ref: TaskView::class))]
        public array $tasks,
        #[OA\Property(description: 'How many come back later')]
        public int $waiting,
        #[OA\Property(description: 'The next day on which some do', format: 'date')]
        public ?string $nextOn,
        #[OA\Property(description: 'A rig of this kit to practise with before the made-up camera; null = it has none yet')]
        public ?int $rig,
    ) {
    }
}
