<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The answer to three answers, before anything is kept. */
#[OA\Schema(required: ['rig', 'sentence', 'next', 'camera', 'lens'])]
final readonly class FirstView
{
    public function __construct(
        #[OA\Property()]
        public RigView $rig,
        #[OA\Property(description: 'Empty where there is no image')]
        public string $sentence,
        #[OA\Property()]
        public ?FirstNext $next,
        /** The camera as it is taken. */
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $camera,
        /** The first lens as it is taken: what is left blank is filled in so. */
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $lens,
    ) {
    }
}
