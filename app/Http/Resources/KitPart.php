<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A part of a kit with all that is known of it. */
#[OA\Schema(required: ['part', 'ref', 'version', 'massG', 'price', 'note', 'keptOn', 'measured', 'fields'])]
final readonly class KitPart
{
    /**
     * @param  list<string>  $measured
     */
    public function __construct(
        #[OA\Property()]
        public PartView $part,
        #[OA\Property()]
        public string $ref,
        #[OA\Property()]
        public int $version,
        #[OA\Property()]
        public ?float $massG,
        #[OA\Property()]
        public ?float $price,
        #[OA\Property()]
        public ?string $note,
        #[OA\Property()]
        public ?string $keptOn,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $measured,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $fields,
    ) {
    }
}
