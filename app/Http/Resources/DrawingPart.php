<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Design;
use ZincThimble\Core\Gear\Kind;

/** A part in the drawing, mm from the sensor. */
#[OA\Schema(required: ['index', 'kind', 'label', 'reversed', 'rearMm', 'frontMm', 'outerMm', 'frontOuterMm', 'rearOuterMm', 'estimated', 'design', 'elements', 'planeMm', 'stopMm', 'footMm', 'contacts', 'minMm', 'maxMm'])]
final readonly class DrawingPart
{
    public function __construct(
        #[OA\Property()]
        public int $index,
        #[OA\Property(type: 'string', enum: Kind::class)]
        public Kind $kind,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public bool $reversed,
        #[OA\Property()]
        public float $rearMm,
        #[OA\Property()]
        public float $frontMm,
        #[OA\Property()]
        public float $outerMm,
        #[OA\Property()]
        public float $frontOuterMm,
        #[OA\Property()]
        public float $rearOuterMm,
        #[OA\Property()]
        public bool $estimated,
        #[OA\Property(type: 'string', enum: Design::class, nullable: true)]
        public ?Design $design,
        #[OA\Property()]
        public int $elements,
        #[OA\Property()]
        public ?float $planeMm,
        #[OA\Property()]
        public ?float $stopMm,
        #[OA\Property()]
        public ?float $footMm,
        #[OA\Property()]
        public bool $contacts,
        #[OA\Property()]
        public ?float $minMm,
        #[OA\Property()]
        public ?float $maxMm,
    ) {
    }

    /**
     * The parts of a layout, in the order of the chain.
     *
     * @param  array<int, array<string, mixed>>  $parts
     * @return list<self>
     */
    public static function all(array $parts): array
    {
        return array_values(array_map(static fn (array $part): self => new self(...$part), $parts));
    }
}
