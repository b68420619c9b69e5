<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Search\Route;

/** How much of a map one route makes. */
#[OA\Schema(required: ['route', 'rigs', 'cells', 'gaps'])]
final readonly class RouteView
{
    /**
     * @param  list<list<float>>  $cells
     * @param  list<list<float>>  $gaps
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: Route::class)]
        public Route $route,
        #[OA\Property()]
        public int $rigs,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $cells,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $gaps,
    ) {
    }
}
