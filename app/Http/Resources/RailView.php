<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A stack by the rail. */
#[OA\Schema(required: ['frames', 'wayMm', 'stepMm', 'turnsAFrame', 'lines', 'seconds', 'at'])]
final readonly class RailView
{
    /**
     * @param  list<RailFrame>  $at
     */
    public function __construct(
        #[OA\Property()]
        public int $frames,
        #[OA\Property()]
        public float $wayMm,
        #[OA\Property()]
        public float $stepMm,
        #[OA\Property()]
        public float $turnsAFrame,
        #[OA\Property(description: 'Steps or lines a turn')]
        public int $lines,
        #[OA\Property()]
        public float $seconds,
        #[OA\Property(items: new OA\Items(ref: RailFrame::class))]
        public array $at,
    ) {
    }
}
