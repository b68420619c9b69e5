<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Whether a task is done, in a sentence. */
#[OA\Schema(required: ['done', 'pattern', 'numbers', 'tasks'])]
final readonly class JudgedView
{
    /** @param  list<TaskView>  $tasks */
    public function __construct(
        #[OA\Property()]
        public bool $done,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))]
        public \stdClass $numbers,
        #[OA\Property(items: new OA\Items(ref: TaskView::class))]
        public array $tasks,
    ) {
    }
}
