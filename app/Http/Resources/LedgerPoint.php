<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One measured figure beside what was said of it before. */
#[OA\Schema(required: ['entry', 'outing', 'day', 'subject', 'figure', 'measured', 'predicted', 'halfWidth', 'inside', 'lenses'])]
final readonly class LedgerPoint
{
    /**
     * @param  list<string>  $lenses
     */
    public function __construct(
        #[OA\Property()]
        public string $entry,
        #[OA\Property()]
        public int $outing,
        #[OA\Property(format: 'date')]
        public string $day,
        #[OA\Property()]
        public ?string $subject,
        #[OA\Property(enum: ['magnification', 'workingDistanceMm', 'sliceMm'])]
        public string $figure,
        #[OA\Property()]
        public float $measured,
        #[OA\Property()]
        public float $predicted,
        #[OA\Property(description: 'Of both together')]
        public ?float $halfWidth,
        #[OA\Property(description: 'Whether the truth lay within it; null = none was said')]
        public ?bool $inside,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $lenses,
    ) {
    }
}
