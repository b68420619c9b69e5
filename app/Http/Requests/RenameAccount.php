<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** What a person is called. */
#[OA\Schema(schema: 'RenameAccount', required: ['name'], properties: [
    new OA\Property(property: 'name', type: 'string'),
])]
final class RenameAccount extends FormRequest
{
    /** What a person may be called. */
    public const NAME = ['required', 'string', 'max:120', 'regex:/^[^\p{C}]*$/u'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => self::NAME];
    }

    public function name(): string
    {
        return $this->string('name')->toString();
    }
}
