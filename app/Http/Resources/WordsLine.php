<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Gear\Kind;

/** One part of a list in words, as it was understood. */
#[OA\Schema(required: ['line', 'text', 'kind', 'name', 'part', 'taken', 'roomHalfWidthMm', 'trouble'])]
final readonly class WordsLine
{
    /** @param  list<string>  $taken */
    public function __construct(
        #[OA\Property()]
        public int $line,
        #[OA\Property()]
        public string $text,
        #[OA\Property(type: 'string', enum: Kind::class, nullable: true)]
        public ?Kind $kind,
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'As a kit holds it; null = not understood', type: 'object', nullable: true, additionalProperties: true)]
        public ?\stdClass $part,
        #[OA\Property(description: 'What is taken because nobody told it', items: new OA\Items(type: 'string'))]
        public array $taken,
        #[OA\Property(description: 'What that costs: half-width of a lens’s working distance where one of its kind is mostly used; null = it is no lens')]
        public ?float $roomHalfWidthMm,
        #[OA\Property(description: 'What is lacking; empty where it is understood')]
        public string $trouble,
    ) {
    }
}
