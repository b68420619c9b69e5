<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Lines of a sheet under one heading. */
#[OA\Schema(required: ['heading', 'lines'])]
final readonly class SheetSection
{
    /** @param  list<SheetText>  $lines */
    public function __construct(
        #[OA\Property()]
        public string $heading,
        #[OA\Property(items: new OA\Items(ref: SheetText::class))]
        public array $lines,
    ) {
    }
}
