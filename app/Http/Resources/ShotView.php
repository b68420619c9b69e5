<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A shot of a lens as it was measured, and what the lens as settled would have shown. */
#[OA\Schema(required: ['index', 'at', 'note', 'cameraRegisterMm', 'spacersMm', 'reversed', 'focus', 'window', 'readings'])]
final readonly class ShotView
{
    /**
     * @param  list<ShotReading>  $readings
     */
    public function __construct(
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public ?string $at,
        #[OA\Property()]
        public ?string $note,
        #[OA\Property()]
        public float $cameraRegisterMm,
        #[OA\Property()]
        public float $spacersMm,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property()]
        public float $focus,
        #[OA\Property(description: 'A look at a far window: where its picture came out')]
        public bool $window,
        #[OA\Property(items: new OA\Items(ref: ShotReading::class))]
        public array $readings,
    ) {
    }
}
