<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part of the kit and whether it goes on the chosen joint. */
#[OA\Schema(required: ['part', 'fits', 'reason', 'reversed', 'left', 'via', 'viaNames'])]
final readonly class TrayPart
{
    /**
     * @param  list<int>  $via
     * @param  list<string>  $viaNames
     */
    public function __construct(
        #[OA\Property()]
        public PartView $part,
        #[OA\Property()]
        public bool $fits,
        #[OA\Property()]
        public string $reason,
        #[OA\Property(description: 'Whether it goes on only turned round')]
        public bool $reversed,
        #[OA\Property()]
        public int $left,
        #[OA\Property(description: 'Parts that go in between, from the camera outwards', items: new OA\Items(type: 'integer'))]
        public array $via,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $viaNames,
    ) {
    }
}
