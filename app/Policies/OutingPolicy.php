<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Outing;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** An outing belongs to one person. To everybody else it doesn't exist. */
final class OutingPolicy
{
    public function view(User $user, Outing $outing): Response
    {
        return $user->id === $outing->user_id ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Outing $outing): Response
    {
        return $this->view($user, $outing);
    }
}
