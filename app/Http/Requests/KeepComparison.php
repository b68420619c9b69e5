<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Compare\ComparisonBlanks;
use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** A comparison to be kept under a name. */
#[OA\Schema(schema: 'KeepComparison', required: ['name', 'rigs'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'rigs', description: 'As in its address', type: 'string'),
    new OA\Property(property: 'asked', description: 'The blanks, as in the address', type: 'object', additionalProperties: true),
])]
final class KeepComparison extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:120', 'not_regex:/[\p{Cc}]/u'], 'rigs' => AskComparison::RIGS, 'asked' => ['nullable', 'array']];
    }

    public function name(): string
    {
        return trim($this->string('name')->toString());
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
