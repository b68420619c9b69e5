<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Plan\Bracketing;

/** How far the plane of focus went while the camera took so many frames at one of its settings, from where the rig stands. */
#[OA\Schema(schema: 'MeasureBracketing', required: ['revision', 'setting', 'frames', 'movedMm'], properties: [
    new OA\Property(property: 'revision', type: 'integer'),
    new OA\Property(property: 'setting', description: 'Of the camera, 1 to 10', type: 'integer'),
    new OA\Property(property: 'frames', description: 'From the first to the last, that one too', type: 'integer'),
    new OA\Property(property: 'movedMm', description: 'Away from the camera', type: 'number'),
])]
final class MeasureBracketing extends RevisionRequest
{
    public function rules(): array
    {
        return parent::rules() + [
            'setting' => ['required', 'integer:strict', 'min:1', 'max:'.Bracketing::MOST_SETTING],
            'frames' => ['required', 'integer:strict', 'min:2', 'max:'.Bracketing::MOST],
            'movedMm' => ['required', 'numeric:strict', 'gt:0', 'max:1000000'],
        ];
    }

    public function movedMm(): float
    {
        return $this->float('movedMm');
    }
}
