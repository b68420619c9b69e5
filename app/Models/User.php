<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

/**
 * A person with an account, or a guest of the demonstration.
 *
 * @property int $id
 * @property string $name
 * @property ?string $email
 * @property ?string $password
 * @property ?Carbon $guest_until
 * @property \Illuminate\Database\Eloquent\Collection<int, Joint> $joints
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password', 'guest_until'];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['guest_until' => 'datetime', 'password' => 'hashed'];
    }

    public function isGuest(): bool
    {
        return $this->guest_until !== null;
    }

    /** @return HasMany<Kit, $this> */
    public function kits(): HasMany
    {
        return $this->hasMany(Kit::class);
    }

    /** @return HasMany<Rig, $this> */
    public function rigs(): HasMany
    {
        return $this->hasMany(Rig::class);
    }

    /** @return HasMany<Joint, $this> */
    public function joints(): HasMany
    {
        $joints = $this->hasMany(Joint::class);
        $joints->oldest('name');

        return $joints;
    }
}
