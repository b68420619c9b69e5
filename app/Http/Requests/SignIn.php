<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** Who comes back. */
#[OA\Schema(schema: 'SignIn', required: ['email', 'password'], properties: [
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
])]
final class SignIn extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'max:254'], 'password' => ['required', 'string', 'max:200']];
    }
}
