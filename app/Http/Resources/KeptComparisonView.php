<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A comparison that was kept. */
#[OA\Schema(required: ['id', 'name', 'rigs', 'asked', 'names'])]
final readonly class KeptComparisonView
{
    /**
     * @param  list<int>  $rigs
     * @param  list<string>  $names
     */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property(items: new OA\Items(type: 'integer'))]
        public array $rigs,
        #[OA\Property(description: 'The blanks, by name', type: 'object', additionalProperties: true)]
        public \stdClass $asked,
        #[OA\Property(description: 'What its rigs are called, or what they are made of', items: new OA\Items(type: 'string'))]
        public array $names,
    ) {
    }
}
