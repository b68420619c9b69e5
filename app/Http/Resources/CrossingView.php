<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Joint\Fit;

/** How one joint is reached from another. */
#[OA\Schema(required: ['fit', 'reason', 'path', 'lengthMm', 'bridge', 'parts'])]
final readonly class CrossingView
{
    /**
     * @param  list<string>  $path
     * @param  list<FittingPart>  $parts
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: Fit::class)]
        public Fit $fit,
        #[OA\Property()]
        public ?string $reason,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $path,
        #[OA\Property()]
        public float $lengthMm,
        #[OA\Property()]
        public ?string $bridge,
        #[OA\Property(items: new OA\Items(ref: FittingPart::class))]
        public array $parts,
    ) {
    }
}
