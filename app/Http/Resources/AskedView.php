<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Practice\QuestionKind;
use ZincThimble\Core\Practice\Skill;

/** What is asked, without what is true. */
#[OA\Schema(required: ['kind', 'skill', 'pattern', 'numbers', 'unit', 'least', 'greatest', 'options', 'plane', 'drawing'])]
final readonly class AskedView
{
    /** @param  list<string>  $options */
    public function __construct(
        #[OA\Property(type: 'string', enum: QuestionKind::class)]
        public QuestionKind $kind,
        #[OA\Property(type: 'string', enum: Skill::class)]
        public Skill $skill,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]))]
        public \stdClass $numbers,
        #[OA\Property(description: 'mm, x, stops, f, times or n; empty = one of the options')]
        public string $unit,
        #[OA\Property(description: 'Where the scale of the answer begins')]
        public float $least,
        #[OA\Property(description: 'And where it ends')]
        public float $greatest,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $options,
        #[OA\Property(description: 'From where the plane of focus is asked for, which isn’t drawn then', type: 'string', enum: ['front', 'sensor'], nullable: true)]
        public ?string $plane,
        #[OA\Property(description: 'The rig that it is about')]
        public ?QuestionDrawing $drawing,
    ) {
    }
}
