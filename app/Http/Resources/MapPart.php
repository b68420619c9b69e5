<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part or camera on the joint map. */
#[OA\Schema(required: ['id', 'kind', 'name', 'rear', 'front'])]
final readonly class MapPart
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?MapEnd $rear,
        #[OA\Property()]
        public ?MapEnd $front,
    ) {
    }
}
