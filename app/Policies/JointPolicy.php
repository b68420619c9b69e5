<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Joint;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A joint that somebody added is theirs. To everybody else it doesn't exist. */
final class JointPolicy
{
    public function delete(User $user, Joint $joint): Response
    {
        return $user->id === $joint->user_id ? Response::allow() : Response::denyAsNotFound();
    }
}
