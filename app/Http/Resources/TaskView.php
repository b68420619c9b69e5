<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Practice\CameraTask;

/** A task before the made-up camera, and how often it was done. */
#[OA\Schema(required: ['task', 'tried', 'done'])]
final readonly class TaskView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: CameraTask::class)]
        public CameraTask $task,
        #[OA\Property()]
        public int $tried,
        #[OA\Property()]
        public int $done,
    ) {
    }
}
