<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** One frame: which piece of it is kept. The same key sent twice is one frame. */
#[OA\Schema(schema: 'TakeOneFrame', required: ['key'], properties: [
    new OA\Property(property: 'key', type: 'string', format: 'uuid'),
    new OA\Property(property: 'x', description: 'Its middle, as a share of the frame’s width; left out = the middle', type: 'number'),
    new OA\Property(property: 'y', description: 'And of its height', type: 'number'),
    new OA\Property(property: 'aperture', description: 'Marked number for this frame alone; left out = as the rig is set', type: 'number'),
])]
final class TakeOneFrame extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['key' => ['required', 'string', 'uuid'], 'x' => ['numeric:strict', 'min:0', 'max:1'], 'y' => ['numeric:strict', 'min:0', 'max:1'], 'aperture' => ['numeric:strict', 'min:0.5', 'max:256']];
    }

    public function aperture(): ?float
    {
        return $this->input('aperture') === null ? null : $this->float('aperture');
    }

    public function place(string $axis): float
    {
        return $this->float($axis, 0.5);
    }
}
