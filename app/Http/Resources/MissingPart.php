<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part that would do it, by its measures, and the best rig with it. */
#[OA\Schema(required: ['name', 'fulfil', 'rig'])]
final readonly class MissingPart
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public int $fulfil,
        #[OA\Property()]
        public FoundRig $rig,
    ) {
    }
}
