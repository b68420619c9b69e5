<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What measuring tells of a lens; kept only when asked to. */
#[OA\Schema(required: ['kept', 'figures', 'version'])]
final readonly class MeasureView
{
    /**
     * @param  list<SettledFigureView>  $figures
     */
    public function __construct(
        #[OA\Property()]
        public bool $kept,
        #[OA\Property(items: new OA\Items(ref: SettledFigureView::class))]
        public array $figures,
        #[OA\Property()]
        public int $version,
    ) {
    }
}
