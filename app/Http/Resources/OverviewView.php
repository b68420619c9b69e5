<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What a kit can do at all: cells are counted from the least magnification and working distance, even in the logarithm. */
#[OA\Schema(required: ['rigs', 'columns', 'rowsUp', 'leastM', 'mostM', 'leastMm', 'mostMm', 'routes', 'edge', 'dots', 'gaps', 'magnification', 'leftOut'])]
final readonly class OverviewView
{
    /**
     * @param  list<RouteView>  $routes
     * @param  list<list<float>>  $edge
     * @param  list<list<float>>  $dots
     * @param  list<list<float>>  $gaps
     * @param  list<string>  $leftOut
     */
    public function __construct(
        #[OA\Property()]
        public int $rigs,
        #[OA\Property()]
        public int $columns,
        #[OA\Property()]
        public int $rowsUp,
        #[OA\Property()]
        public float $leastM,
        #[OA\Property()]
        public float $mostM,
        #[OA\Property()]
        public float $leastMm,
        #[OA\Property()]
        public float $mostMm,
        #[OA\Property(items: new OA\Items(ref: RouteView::class))]
        public array $routes,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $edge,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $dots,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $gaps,
        #[OA\Property()]
        public ?Interval $magnification,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $leftOut,
    ) {
    }
}
