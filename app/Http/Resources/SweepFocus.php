<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Reading\FocusState;

/** Rows of a sweep over which it is sharp in one way. */
#[OA\Schema(required: ['from', 'to', 'state'])]
final readonly class SweepFocus
{
    public function __construct(
        #[OA\Property()]
        public int $from,
        #[OA\Property()]
        public int $to,
        #[OA\Property(type: 'string', enum: FocusState::class)]
        public FocusState $state,
    ) {
    }
}
