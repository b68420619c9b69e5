<?php

declare(strict_types=1);

namespace App\Api;

use OpenApi\Attributes as OA;

/** Parts that can be put together. */
#[OA\Schema(required: ['number', 'cameras', 'parts', 'bridge'])]
final readonly class IslandView
{
    /**
     * @param  list<MapPart>  $cameras
     * @param  list<MapPart>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public int $number,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $cameras,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $parts,
        #[OA\Property()]
        public ?string $bridge,
    ) {
    }
}
