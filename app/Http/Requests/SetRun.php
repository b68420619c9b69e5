<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** What is to become of a stack that runs. */
#[OA\Schema(schema: 'SetRun', required: ['do'], properties: [new OA\Property(property: 'do', type: 'string', enum: ['pause', 'go on', 'stop'])])]
final class SetRun extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['do' => ['required', 'string', 'in:pause,go on,stop']];
    }
}
