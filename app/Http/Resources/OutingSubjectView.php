<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Something that is to be photographed. */
#[OA\Schema(required: ['name', 'wish', 'subject', 'at', 'without', 'pinned'])]
final readonly class OutingSubjectView
{
    /**
     * @param  list<string>  $without
     */
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'The blanks of Find', type: 'object', additionalProperties: true)]
        public \stdClass $wish,
        #[OA\Property(description: 'What is known of it, as in a rig file', type: 'object', additionalProperties: true)]
        public \stdClass $subject,
        #[OA\Property(description: 'When it has to be; null = whenever it suits')]
        public ?string $at,
        #[OA\Property(description: 'Parts that must not be used for it', items: new OA\Items(type: 'string'))]
        public array $without,
        #[OA\Property(description: 'The rig it is to be done with, a whole rig file; null = whichever suits best', type: 'object', additionalProperties: true, nullable: true)]
        public ?\stdClass $pinned,
    ) {
    }
}
