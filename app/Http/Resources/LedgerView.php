<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How right the tool was, for one person. */
#[OA\Schema(required: ['entries', 'more', 'points', 'lines', 'byLens', 'hints'])]
final readonly class LedgerView
{
    /**
     * @param  list<LedgerPoint>  $points
     * @param  list<LedgerLineView>  $lines
     * @param  list<LedgerLineView>  $byLens
     * @param  list<LedgerHint>  $hints
     */
    public function __construct(
        #[OA\Property(description: 'In which something was measured, as many as are told')]
        public int $entries,
        #[OA\Property(description: 'Older ones that are left out')]
        public int $more,
        #[OA\Property(description: 'The newest first', items: new OA\Items(ref: LedgerPoint::class))]
        public array $points,
        #[OA\Property(items: new OA\Items(ref: LedgerLineView::class))]
        public array $lines,
        #[OA\Property(description: 'The worst first', items: new OA\Items(ref: LedgerLineView::class))]
        public array $byLens,
        #[OA\Property(description: 'Lenses to settle', items: new OA\Items(ref: LedgerHint::class))]
        public array $hints,
    ) {
    }
}
