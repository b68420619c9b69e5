<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** The form for one kind of part. */
#[OA\Schema(required: ['kind', 'label', 'inChain', 'fields'])]
final readonly class GuideKind
{
    /**
     * @param  list<GuideField>  $fields
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public bool $inChain,
        #[OA\Property(items: new OA\Items(ref: GuideField::class))]
        public array $fields,
    ) {
    }
}
