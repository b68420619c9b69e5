<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** Whose password is forgotten. */
#[OA\Schema(schema: 'ForgottenPassword', required: ['email'], properties: [
    new OA\Property(property: 'email', type: 'string'),
])]
final class ForgottenPassword extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => self::EMAIL];
    }
}
