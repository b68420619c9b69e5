<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Which rig for which subject, in which order, and what goes into the bag. */
#[OA\Schema(required: ['assignments', 'visits', 'bag', 'massG', 'parts', 'joints', 'optimal', 'atMostOffBy', 'orderOptimal', 'leftOut', 'checks'])]
final readonly class OutingPlanView
{
    /**
     * @param  list<AssignmentView>  $assignments
     * @param  list<VisitView>  $visits
     * @param  list<PackedView>  $bag
     * @param  list<string>  $leftOut
     * @param  list<string>  $checks
     */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: AssignmentView::class))]
        public array $assignments,
        #[OA\Property(items: new OA\Items(ref: VisitView::class))]
        public array $visits,
        #[OA\Property(items: new OA\Items(ref: PackedView::class))]
        public array $bag,
        #[OA\Property()]
        public float $massG,
        #[OA\Property()]
        public int $parts,
        #[OA\Property(description: 'Undone and made from the first rig to the last')]
        public int $joints,
        #[OA\Property(description: 'Whether nothing less covers all')]
        public bool $optimal,
        #[OA\Property(description: 'How far from the least it can be at most')]
        public float $atMostOffBy,
        #[OA\Property()]
        public bool $orderOptimal,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $leftOut,
        #[OA\Property(description: 'What is worth a look before one leaves', items: new OA\Items(type: 'string'))]
        public array $checks,
    ) {
    }
}
