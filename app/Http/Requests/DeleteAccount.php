<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** That the account is to go. */
#[OA\Schema(schema: 'DeleteAccount', required: ['password'], properties: [
    new OA\Property(property: 'password', type: 'string', description: 'The present one'),
])]
final class DeleteAccount extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['password' => ['required', 'string', 'max:200']];
    }

    public function password(): string
    {
        return $this->string('password')->toString();
    }
}
