<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What fits at a joint of the rig. */
#[OA\Schema(required: ['index', 'title', 'joint', 'parts'])]
final readonly class TrayView
{
    /**
     * @param  list<TrayPart>  $parts
     */
    public function __construct(
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $joint,
        #[OA\Property(items: new OA\Items(ref: TrayPart::class))]
        public array $parts,
    ) {
    }
}
