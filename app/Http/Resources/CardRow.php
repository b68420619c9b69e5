<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A row of a card: a number, words, nothing, or ∞. */
#[OA\Schema(required: ['label', 'values', 'camera', 'parts'])]
final readonly class CardRow
{
    /**
     * @param  list<float|string|null>  $values
     * @param  list<SetUpPart>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public string $label,
        #[OA\Property(items: new OA\Items(oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string'), new OA\Schema(type: 'null')]))]
        public array $values,
        #[OA\Property(description: 'Camera of the rig it is of; null = it can’t be set up')]
        public ?int $camera,
        #[OA\Property(items: new OA\Items(ref: SetUpPart::class))]
        public array $parts,
    ) {
    }
}
