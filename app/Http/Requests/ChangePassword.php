<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Passwords;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;

/** A new password, by the present one. */
#[OA\Schema(schema: 'ChangePassword', required: ['current', 'password'], properties: [
    new OA\Property(property: 'current', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
])]
final class ChangePassword extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $user = $this->user();

        return ['current' => ['required', 'string', 'max:200'], 'password' => Passwords::rules($user instanceof User ? [$user->name, $user->email] : [])];
    }

    public function current(): string
    {
        return $this->string('current')->toString();
    }

    public function password(): string
    {
        return $this->string('password')->toString();
    }
}
