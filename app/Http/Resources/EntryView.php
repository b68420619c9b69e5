<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** An entry of the log, as it was written down. */
#[OA\Schema(required: ['id', 'at', 'entry'])]
final readonly class EntryView
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property(description: 'By the clock of who wrote it')]
        public string $at,
        #[OA\Property(description: 'The whole entry, as its file has it', type: 'object', additionalProperties: true)]
        public \stdClass $entry,
    ) {
    }
}
