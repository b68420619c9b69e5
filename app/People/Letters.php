<?php

declare(strict_types=1);

namespace App\People;

use App\Mail\ResetPassword;
use App\Models\User;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;

/** Letters to people. */
final class Letters
{
    /** Sends a way to set a new password, if there is an account of that address; says the same if there is none. */
    public function forgotten(string $email): void
    {
        Password::broker()->sendResetLink(['email' => $email], function (User $user, string $token): void {
            Mail::to((string) $user->email)->send(new ResetPassword($user->name, url('/reset').'?'.http_build_query(['token' => $token, 'email' => $user->email])));
        });
    }
}
