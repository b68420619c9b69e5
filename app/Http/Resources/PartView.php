<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** A part of a kit, as the shelf and the tray show it. */
#[OA\Schema(required: ['id', 'kind', 'name', 'count', 'rear', 'front', 'measure', 'inChain', 'silhouette'])]
final readonly class PartView
{
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public int $count,
        #[OA\Property()]
        public ?string $rear,
        #[OA\Property()]
        public ?string $front,
        #[OA\Property()]
        public string $measure,
        #[OA\Property()]
        public bool $inChain,
        #[OA\Property()]
        public Silhouette $silhouette,
    ) {
    }
}
