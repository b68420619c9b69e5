<?php

declare(strict_types=1);

namespace App\Api;

use OpenApi\Attributes as OA;

/** A part of the kit and whether it goes on the chosen joint. */
#[OA\Schema(required: ['part', 'fits', 'reason', 'left'])]
final readonly class TrayPart
{
    public function __construct(
        #[OA\Property()]
        public PartView $part,
        #[OA\Property()]
        public bool $fits,
        #[OA\Property()]
        public string $reason,
        #[OA\Property()]
        public int $left,
    ) {
    }
}
