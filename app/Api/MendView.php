<?php

declare(strict_types=1);

namespace App\Api;

use OpenApi\Attributes as OA;

/** A change that cures a finding, to be sent back as a step. */
#[OA\Schema(required: ['label', 'magnification', 'step'])]
final readonly class MendView
{
    public function __construct(
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public ?float $magnification,
        #[OA\Property()]
        public StepRequest $step,
    ) {
    }
}
