<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** An entry to be written down: what a rig says by itself. */
#[OA\Schema(required: ['entry'])]
final readonly class BlankEntry
{
    public function __construct(
        #[OA\Property(description: 'As its file has it, without id and time', type: 'object', additionalProperties: true)]
        public \stdClass $entry,
    ) {
    }
}
