<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A generic part, or set of parts, to begin from. */
#[OA\Schema(required: ['id', 'group', 'name', 'text', 'ask', 'parts'])]
final readonly class PatternView
{
    /**
     * @param  list<string>  $ask
     * @param  list<PatternPart>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $group,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $text,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $ask,
        #[OA\Property(items: new OA\Items(ref: PatternPart::class))]
        public array $parts,
    ) {
    }
}
