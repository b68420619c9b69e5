<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;

/**
 * A letter to a person, written and sent by a worker: whoever asked for it waits no longer, and learns nothing, by whether there is an
 * account of that address.
 */
final class SendAccountMail implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private function __construct(private readonly string $what, private readonly string $email, private readonly ?int $user)
    {
    }

    /** The way to a new password, if there is an account of that address. */
    public static function forgotten(string $email): self
    {
        return new self('forgotten', $email, null);
    }

    /** To confirm the address of a new account, or to say that there is one already. */
    public static function signedUp(User $user): self
    {
        return new self('signed up', (string) $user->email, $user->id);
    }

    public static function passwordChanged(User $user): self
    {
        return new self('password changed', (string) $user->email, $user->id);
    }

    public function handle(): void
    {
        match ($this->what) {
            'forgotten' => Password::broker()->sendResetLink(['email' => $this->email], function (User $user, string $token): void {
                $this->send($user->name, 'A new password for Zinc Thimble', 'mail.reset', url('/reset').'?'.http_build_query(['token' => $token, 'email' => $user->email]));
            }),
            'signed up' => $this->signUp(),
            default => $this->send($this->name(), 'Your password for Zinc Thimble was changed', 'mail.changed', url('/')),
        };
    }

    private function signUp(): void
    {
        $user = User::query()->find($this->user);
        if (! $user instanceof User || $user->email !== $this->email || $user->email_confirmed_at !== null) {
            return;
        }
        if (User::query()->where('email', $this->email)->whereNotNull('email_confirmed_at')->exists()) {
            $this->send($user->name, 'You have an account already', 'mail.already', url('/'));
        } else {
            $this->send($user->name, 'Confirm your address for Zinc Thimble', 'mail.confirm', Confirmation::link($user));
        }
    }

    private function name(): string
    {
        $user = User::query()->find($this->user);

        return $user instanceof User ? $user->name : '';
    }

    private function send(string $name, string $subject, string $view, string $address): void
    {
        Mail::to($this->email)->send(new AccountMail($name, $subject, $view, $address));
    }
}
