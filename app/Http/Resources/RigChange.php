<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What a kept rig reads with a lens as it is known until now, and as it would be. */
#[OA\Schema(required: ['id', 'name', 'oldMagnification', 'oldMagnificationHalfWidth', 'newMagnification', 'newMagnificationHalfWidth', 'oldWorkingDistanceMm', 'oldWorkingDistanceHalfWidth', 'newWorkingDistanceMm', 'newWorkingDistanceHalfWidth'])]
final readonly class RigChange
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?float $oldMagnification,
        #[OA\Property()]
        public ?float $oldMagnificationHalfWidth,
        #[OA\Property()]
        public ?float $newMagnification,
        #[OA\Property()]
        public ?float $newMagnificationHalfWidth,
        #[OA\Property()]
        public ?float $oldWorkingDistanceMm,
        #[OA\Property()]
        public ?float $oldWorkingDistanceHalfWidth,
        #[OA\Property()]
        public ?float $newWorkingDistanceMm,
        #[OA\Property()]
        public ?float $newWorkingDistanceHalfWidth,
    ) {
    }
}
