<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Passwords;
use OpenApi\Attributes as OA;

/** A new password, by the link of a letter. */
#[OA\Schema(schema: 'ResetPassword', required: ['token', 'email', 'password'], properties: [
    new OA\Property(property: 'token', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
])]
final class ResetPassword extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['token' => ['required', 'string', 'max:200'], 'email' => self::EMAIL, 'password' => Passwords::rules([$this->input('email')])];
    }

    /** @return array{token: string, email: string, password: string} */
    public function link(): array
    {
        return ['token' => $this->string('token')->toString(), 'email' => $this->email(), 'password' => $this->password()];
    }
}
