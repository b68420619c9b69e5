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
 * @property bool $guest_own whether what a guest keeps is their own, not the demonstration's
 * @property ?Carbon $email_confirmed_at null = nobody has shown yet that letters to the address reach this person
 * @property \Illuminate\Database\Eloquent\Collection<int, Joint> $joints
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password', 'guest_until', 'guest_own', 'opened_from'];

    protected $hidden = ['password', 'remember_token'];

    /** As the database writes them: read in another form, each is refused first and guessed then. */
    protected $dateFormat = 'Y-m-d H:i:sO';

    /** A guest has none; the framework signs what it gets. */
    public function getAuthPassword(): string
    {
        return $this->password ?? '';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['guest_until' => 'datetime', 'email_confirmed_at' => 'datetime', 'password' => 'hashed', 'guest_own' => 'boolean'];
    }

    public function isGuest(): bool
    {
        return $this->guest_until !== null;
    }

    /** A guest whose day is over is nobody any more, even before they are swept. */
    public function isOver(): bool
    {
        return $this->guest_until !== null && $this->guest_until->isPast();
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

    /** @return HasMany<KeptComparison, $this> */
    public function comparisons(): HasMany
    {
        $comparisons = $this->hasMany(KeptComparison::class);
        $comparisons->oldest('name');

        return $comparisons;
    }

    /** @return HasMany<Outing, $this> the newest first */
    public function outings(): HasMany
    {
        $outings = $this->hasMany(Outing::class);
        $outings->orderByRaw('held_on desc nulls first, id desc');

        return $outings;
    }

    /** @return HasMany<Joint, $this> */
    public function joints(): HasMany
    {
        $joints = $this->hasMany(Joint::class);
        $joints->oldest('name');

        return $joints;
    }
}
