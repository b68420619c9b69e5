<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** How near a kit comes to what it can’t do, and which one part would do it. */
#[OA\Schema(required: ['nearest', 'missing', 'leftOut'])]
final readonly class NearView
{
    /**
     * @param  list<FoundRig>  $nearest
     * @param  list<MissingPart>  $missing
     * @param  list<string>  $leftOut  what was not looked at, in words; empty = nothing
     */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: FoundRig::class))]
        public array $nearest,
        #[OA\Property(items: new OA\Items(ref: MissingPart::class))]
        public array $missing,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $leftOut,
    ) {
    }
}
