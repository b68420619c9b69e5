<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A trial of a lens: its curve against what diffraction and pixels allow, and what it changes. */
#[OA\Schema(required: ['kept', 'lens', 'part', 'magnification', 'reversed', 'sharpest', 'asSharp', 'stops', 'changes'])]
final readonly class TrialView
{
    /**
     * @param  list<float>  $asSharp
     * @param  list<TriedStopView>  $stops
     * @param  list<TrialChange>  $changes
     */
    public function __construct(
        #[OA\Property()]
        public bool $kept,
        #[OA\Property()]
        public string $lens,
        #[OA\Property(description: 'Its row in the kit; null = it lies in no kit, and nothing can be kept')]
        public ?int $part,
        #[OA\Property()]
        public float $magnification,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property(description: 'Marked number')]
        public float $sharpest,
        #[OA\Property(description: 'All within 5 % of it', items: new OA\Items(type: 'number'))]
        public array $asSharp,
        #[OA\Property(items: new OA\Items(ref: TriedStopView::class))]
        public array $stops,
        #[OA\Property(description: 'In this rig, with the trial kept', items: new OA\Items(ref: TrialChange::class))]
        public array $changes,
    ) {
    }
}
