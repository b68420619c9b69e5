<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A change that was not made, and why. */
#[OA\Schema(required: ['message', 'version', 'rigs'])]
final readonly class Conflict
{
    /**
     * @param  list<string>  $rigs
     */
    public function __construct(
        #[OA\Property()]
        public string $message,
        #[OA\Property()]
        public ?int $version,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $rigs,
    ) {
    }
}
