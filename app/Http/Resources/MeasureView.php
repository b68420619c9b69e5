<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What measuring tells of a lens; kept only when asked to. */
#[OA\Schema(required: ['kept', 'version', 'figures', 'shots', 'rigs', 'pupils', 'rewritten'])]
final readonly class MeasureView
{
    /**
     * @param  list<SettledFigureView>  $figures
     * @param  list<ShotView>  $shots
     * @param  list<RigChange>  $rigs
     */
    public function __construct(
        #[OA\Property()]
        public bool $kept,
        #[OA\Property()]
        public int $version,
        #[OA\Property(items: new OA\Items(ref: SettledFigureView::class))]
        public array $figures,
        #[OA\Property(description: 'All that are kept, with what the lens as settled gives', items: new OA\Items(ref: ShotView::class))]
        public array $shots,
        #[OA\Property(description: 'What changes in the rigs that are kept', items: new OA\Items(ref: RigChange::class))]
        public array $rigs,
        #[OA\Property(description: 'Whether both pupils were measured')]
        public bool $pupils,
        #[OA\Property(description: 'Whether its register was rewritten by a ruler before shots were kept')]
        public bool $rewritten,
    ) {
    }
}
