<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What does it, the best first. */
#[OA\Schema(required: ['rigs', 'fulfil', 'mayFulfil', 'read', 'count', 'rows', 'dots', 'leftOut', 'dark', 'whole', 'seconds'])]
final readonly class FoundView
{
    /**
     * @param  list<FoundRig>  $rows
     * @param  list<list<float>>  $dots  magnification, working distance and route of every row there is
     * @param  list<string>  $leftOut
     */
    public function __construct(
        #[OA\Property()]
        public int $rigs,
        #[OA\Property()]
        public int $fulfil,
        #[OA\Property()]
        public int $mayFulfil,
        #[OA\Property()]
        public int $read,
        #[OA\Property()]
        public int $count,
        #[OA\Property(items: new OA\Items(ref: FoundRig::class))]
        public array $rows,
        #[OA\Property(items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))]
        public array $dots,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $leftOut,
        #[OA\Property(description: 'Rigs in no row, since their corners lose all light')]
        public int $dark,
        #[OA\Property()]
        public bool $whole,
        #[OA\Property()]
        public float $seconds,
    ) {
    }
}
