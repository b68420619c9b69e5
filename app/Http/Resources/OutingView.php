<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A planned day. */
#[OA\Schema(required: ['id', 'revision', 'kit', 'name', 'date', 'place', 'startsAt', 'by', 'conditions', 'preparations', 'checks', 'packed', 'subjects'])]
final readonly class OutingView
{
    /**
     * @param  list<PreparationView>  $preparations
     * @param  list<string>  $checks
     * @param  list<string>  $packed
     * @param  list<OutingSubjectView>  $subjects
     */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(description: 'The kit it is packed from; null = it is gone')]
        public ?int $kit,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $date,
        #[OA\Property()]
        public ?string $place,
        #[OA\Property()]
        public ?string $startsAt,
        #[OA\Property(description: 'mass, parts, rigs or price: what the bag is to be least of')]
        public string $by,
        #[OA\Property(description: 'The light and the surroundings of the day, as in a rig file', type: 'object', additionalProperties: true)]
        public \stdClass $conditions,
        #[OA\Property(items: new OA\Items(ref: PreparationView::class))]
        public array $preparations,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $checks,
        #[OA\Property(description: 'What is ticked off, of bag and checks', items: new OA\Items(type: 'string'))]
        public array $packed,
        #[OA\Property(items: new OA\Items(ref: OutingSubjectView::class))]
        public array $subjects,
    ) {
    }
}
