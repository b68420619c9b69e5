<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What joins what in a kit. */
#[OA\Schema(required: ['islands', 'anywhere', 'loose', 'hub'])]
final readonly class MapView
{
    /**
     * @param  list<IslandView>  $islands
     * @param  list<MapPart>  $anywhere
     * @param  list<MapPart>  $loose
     */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: IslandView::class))]
        public array $islands,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $anywhere,
        #[OA\Property(items: new OA\Items(ref: MapPart::class))]
        public array $loose,
        #[OA\Property()]
        public ?HubView $hub,
    ) {
    }
}
