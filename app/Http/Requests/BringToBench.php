<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Compare\ComparisonBlanks;
use OpenApi\Attributes as OA;

/** The comparison out of which a rig goes back to the bench. */
#[OA\Schema(schema: 'BringToBench', required: ['rigs'], properties: [
    new OA\Property(property: 'rigs', description: 'As in the address of the comparison', type: 'string'),
    new OA\Property(property: 'asked', description: 'The blanks, as in the address', type: 'object', additionalProperties: true),
])]
final class BringToBench extends RigRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['rigs' => AskComparison::RIGS, 'asked' => ['nullable', 'array']];
    }

    /** @return list<int> */
    public function rigs(): array
    {
        return AskComparison::numbers($this->string('rigs')->toString());
    }

    /** @return array<string, mixed> */
    public function blanks(): array
    {
        return ComparisonBlanks::checked($this->input('asked') ?? []);
    }
}
