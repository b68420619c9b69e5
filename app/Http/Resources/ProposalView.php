<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A first rig that the kit can make. */
#[OA\Schema(required: ['title', 'text', 'camera', 'parts', 'names', 'leastMagnification', 'greatestMagnification'])]
final readonly class ProposalView
{
    /**
     * @param  list<int>  $parts
     * @param  list<string>  $names
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public int $camera,
        #[OA\Property(items: new OA\Items(type: 'integer'))]
        public array $parts,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $names,
        #[OA\Property()]
        public ?float $leastMagnification,
        #[OA\Property()]
        public ?float $greatestMagnification,
    ) {
    }
}
