<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use ZincThimble\Core\Practice\CameraTask;

/** What is to be done before the made-up camera. */
#[OA\Schema(schema: 'SetTask', required: ['task'], properties: [new OA\Property(property: 'task', type: 'string', enum: CameraTask::class)])]
final class SetTask extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['task' => ['required', 'string', Rule::enum(CameraTask::class)]];
    }

    public function task(): CameraTask
    {
        return CameraTask::from($this->string('task')->value());
    }
}
