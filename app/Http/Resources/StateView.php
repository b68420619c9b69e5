<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A rig as it was saved once, in words and numbers. */
#[OA\Schema(required: ['number', 'label', 'parts', 'readings', 'findings'])]
final readonly class StateView
{
    /**
     * @param  list<string>  $parts
     * @param  list<string>  $findings
     */
    public function __construct(
        #[OA\Property()]
        public int $number,
        #[OA\Property()]
        public string $label,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $parts,
        #[OA\Property()]
        public Readings $readings,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $findings,
    ) {
    }
}
