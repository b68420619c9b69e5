<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A stack on the made-up rail, and how far it is. */
#[OA\Schema(required: ['id', 'state', 'frames', 'taken', 'secondsAFrame', 'secondsLeft', 'reason', 'sliceMm', 'aperture'])]
final readonly class RunView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(enum: ['running', 'paused', 'stopped', 'failed', 'done'])]
        public string $state,
        #[OA\Property()]
        public int $frames,
        #[OA\Property()]
        public int $taken,
        #[OA\Property()]
        public float $secondsAFrame,
        #[OA\Property()]
        public float $secondsLeft,
        #[OA\Property(description: 'Why it stands still, or is tried again')]
        public ?string $reason,
        #[OA\Property(description: 'From frame to frame')]
        public ?float $sliceMm,
        #[OA\Property()]
        public ?float $aperture,
    ) {
    }
}
