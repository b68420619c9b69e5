<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Rigs side by side: what each has, who is best in what, who is beaten by whom. */
#[OA\Schema(required: ['target', 'rigs', 'best', 'beaten'])]
final readonly class ComparisonView
{
    /**
     * @param  list<ComparedRigView>  $rigs
     * @param  list<BestIn>  $best
     * @param  list<BeatenBy>  $beaten
     */
    public function __construct(
        #[OA\Property()]
        public TargetView $target,
        #[OA\Property(items: new OA\Items(ref: ComparedRigView::class))]
        public array $rigs,
        #[OA\Property(items: new OA\Items(ref: BestIn::class))]
        public array $best,
        #[OA\Property(items: new OA\Items(ref: BeatenBy::class))]
        public array $beaten,
    ) {
    }
}
