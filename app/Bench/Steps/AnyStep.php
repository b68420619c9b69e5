<?php

declare(strict_types=1);

namespace App\Bench\Steps;

use OpenApi\Attributes as OA;

/** All steps there are, told apart by their `action`: what the description of the API calls a Step. */
#[OA\Schema(schema: 'Step', oneOf: [
    new OA\Schema(ref: SetTravel::class), new OA\Schema(ref: Insert::class), new OA\Schema(ref: Remove::class), new OA\Schema(ref: Turn::class), new OA\Schema(ref: Move::class),
    new OA\Schema(ref: Swap::class), new OA\Schema(ref: ChangeCamera::class), new OA\Schema(ref: Mend::class), new OA\Schema(ref: SolveFor::class), new OA\Schema(ref: Describe::class),
    new OA\Schema(ref: Makeshift::class),
])]
final class AnyStep
{
}
