<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A stack by the focus ring. */
#[OA\Schema(required: ['lens', 'isWhole', 'seconds', 'frames'])]
final readonly class RingView
{
    /**
     * @param  list<RingFrameView>  $frames
     */
    public function __construct(
        #[OA\Property()]
        public string $lens,
        #[OA\Property(description: 'Whether the ring reaches both ends')]
        public bool $isWhole,
        #[OA\Property()]
        public float $seconds,
        #[OA\Property(items: new OA\Items(ref: RingFrameView::class))]
        public array $frames,
    ) {
    }
}
