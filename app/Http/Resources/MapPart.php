<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** A part or camera on the joint map. */
#[OA\Schema(required: ['id', 'kind', 'name', 'rear', 'front'])]
final readonly class MapPart
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?MapEnd $rear,
        #[OA\Property()]
        public ?MapEnd $front,
    ) {
    }
}
