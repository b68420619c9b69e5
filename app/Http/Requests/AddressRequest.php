<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A request that names an account by its address: one spelling of each. */
abstract class AddressRequest extends FormRequest
{
    protected const EMAIL = ['required', 'string', 'email:rfc', 'max:254', 'regex:/^[^\p{C}]*$/u'];

    protected function prepareForValidation(): void
    {
        $email = $this->input('email');
        if (is_string($email)) {
            $this->merge(['email' => mb_strtolower(trim($email))]);
        }
    }

    public function email(): string
    {
        return $this->string('email')->toString();
    }

    public function password(): string
    {
        return $this->string('password')->toString();
    }
}
