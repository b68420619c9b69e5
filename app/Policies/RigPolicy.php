<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Rig;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A rig belongs to one person. To everybody else it doesn't exist. */
final class RigPolicy
{
    public function view(User $user, Rig $rig): Response
    {
        return $this->owns($user, $rig);
    }

    public function update(User $user, Rig $rig): Response
    {
        return $this->owns($user, $rig);
    }

    public function delete(User $user, Rig $rig): Response
    {
        return $this->owns($user, $rig);
    }

    private function owns(User $user, Rig $rig): Response
    {
        return $user->id === $rig->user_id ? Response::allow() : Response::denyAsNotFound();
    }
}
