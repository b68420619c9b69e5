<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** One field of a form: what it is called, what it holds, and how to measure it. */
#[OA\Schema(required: ['name', 'label', 'unit', 'help', 'type', 'first', 'needed', 'least', 'greatest', 'words'])]
final readonly class GuideField
{
    /**
     * @param  list<string>  $words
     */
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $unit,
        #[OA\Property()]
        public string $help,
        #[OA\Property()]
        public string $type,
        #[OA\Property()]
        public bool $first,
        #[OA\Property()]
        public bool $needed,
        #[OA\Property()]
        public ?float $least,
        #[OA\Property()]
        public ?float $greatest,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $words,
    ) {
    }
}
