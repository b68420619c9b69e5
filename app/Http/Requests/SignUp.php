<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Passwords;
use OpenApi\Attributes as OA;

/** A new account. */
#[OA\Schema(schema: 'SignUp', required: ['name', 'email', 'password'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
])]
final class SignUp extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => RenameAccount::NAME, 'email' => self::EMAIL, 'password' => Passwords::rules([$this->input('name'), $this->input('email')])];
    }

    /** @return array{name: string, email: string, password: string} */
    public function account(): array
    {
        return ['name' => $this->string('name')->toString(), 'email' => $this->email(), 'password' => $this->password()];
    }
}
