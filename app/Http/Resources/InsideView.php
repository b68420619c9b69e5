<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Whether what was measured lay within what was said; null = one of them isn't known. */
#[OA\Schema(required: ['magnification', 'workingDistanceMm', 'sliceMm'])]
final readonly class InsideView
{
    public function __construct(
        #[OA\Property()]
        public ?bool $magnification,
        #[OA\Property()]
        public ?bool $workingDistanceMm,
        #[OA\Property()]
        public ?bool $sliceMm,
    ) {
    }
}
