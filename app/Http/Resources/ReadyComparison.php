<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Rigs that stand ready to be compared, and what they are to be brought to: what its address is made of. */
#[OA\Schema(required: ['rigs', 'asked'])]
final readonly class ReadyComparison
{
    /** @param  list<int>  $rigs */
    public function __construct(
        #[OA\Property(items: new OA\Items(type: 'integer'))]
        public array $rigs,
        #[OA\Property(description: 'The blanks, by name', type: 'object', additionalProperties: true)]
        public \stdClass $asked,
    ) {
    }
}
