<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What undo and redo would do. */
#[OA\Schema(required: ['undo', 'redo'])]
final readonly class HistoryView
{
    public function __construct(
        #[OA\Property()]
        public ?string $undo,
        #[OA\Property()]
        public ?string $redo,
    ) {
    }
}
