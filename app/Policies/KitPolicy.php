<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Kit;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A kit belongs to one person. To everybody else it doesn't exist. */
final class KitPolicy
{
    public function view(User $user, Kit $kit): Response
    {
        return $user->id === $kit->user_id ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Kit $kit): Response
    {
        return $this->view($user, $kit);
    }
}
