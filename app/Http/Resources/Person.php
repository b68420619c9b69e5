<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use OpenApi\Attributes as OA;

/** Whoever is using the application. */
#[OA\Schema(required: ['id', 'name', 'email', 'guest', 'guestUntil', 'own', 'confirmed'])]
final readonly class Person
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $email,
        #[OA\Property()]
        public bool $guest,
        #[OA\Property()]
        public ?string $guestUntil,
        /** Whether what is kept here is one's own gear; the demonstration's guest has the herbarium's. */
        #[OA\Property()]
        public bool $own,
        /** Whether letters to the address were shown to reach this person; a guest has none. */
        #[OA\Property()]
        public bool $confirmed,
    ) {
    }

    public static function of(User $user): self
    {
        return new self($user->id, $user->name, $user->email, $user->isGuest(), $user->guest_until?->toIso8601String(), ! $user->isGuest() || $user->guest_own, $user->isGuest() || $user->email_confirmed_at !== null);
    }
}
