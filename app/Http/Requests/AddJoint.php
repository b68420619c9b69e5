<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Kit\OwnJoints;
use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** A joint of one’s own. */
#[OA\Schema(schema: 'AddJoint', required: ['name'], properties: [
    new OA\Property(property: 'name', type: 'string', description: 'A name, or a thread written thread:DxP'),
    new OA\Property(property: 'use', type: 'string', nullable: true),
    new OA\Property(property: 'registerMm', type: 'number', nullable: true),
    new OA\Property(property: 'throatMm', type: 'number', nullable: true),
])]
final class AddJoint extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return OwnJoints::rules();
    }
}
