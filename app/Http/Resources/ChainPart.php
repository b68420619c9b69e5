<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Joint\Fit;

/** A part as it stands in a rig. */
#[OA\Schema(required: ['index', 'partId', 'kind', 'name', 'measure', 'setting', 'joint', 'fit', 'reversed', 'turns', 'makeshift', 'turnedMagnification', 'removable'])]
final readonly class ChainPart
{
    public function __construct(
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public ?int $partId,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $measure,
        #[OA\Property()]
        public string $setting,
        #[OA\Property()]
        public string $joint,
        #[OA\Property(type: 'string', enum: Fit::class)]
        public Fit $fit,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property(description: 'Whether it can be put in the other way round')]
        public bool $turns,
        #[OA\Property(description: 'Whether its lever is wedged, its plate turned, it is taped on; null = there is nothing of the sort')]
        public ?bool $makeshift,
        #[OA\Property(description: 'What the rig would magnify with this lens the other way round')]
        public ?float $turnedMagnification,
        #[OA\Property()]
        public bool $removable,
    ) {
    }
}
