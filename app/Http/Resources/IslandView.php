<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Parts that can be put together. */
#[OA\Schema(required: ['number', 'cameras', 'parts', 'bridges'])]
final readonly class IslandView
{
    /**
     * @param  list<MapPart>  $cameras
     * @param  list<MapPart>  $parts
     * @param  list<BridgeView>  $bridges  to each other island
     */
    public function __construct(
        #[OA\Property()]
        public int $number,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $cameras,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $parts,
        #[OA\Property(items: new OA\Items(ref: BridgeView::class))]
        public array $bridges,
    ) {
    }
}
