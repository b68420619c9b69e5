<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Who has it now, and the rig on their Bench. */
#[OA\Schema(required: ['person', 'rig'])]
final readonly class FirstKept
{
    public function __construct(
        #[OA\Property()]
        public Person $person,
        #[OA\Property()]
        public int $rig,
    ) {
    }
}
