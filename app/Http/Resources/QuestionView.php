<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Plan\School;
use ZincThimble\Core\Reading\SolveTarget;

/** A question of a school that this kit can ask. */
#[OA\Schema(required: ['school', 'to', 'value', 'names', 'titles'])]
final readonly class QuestionView
{
    /**
     * @param  list<string>  $names
     * @param  list<string>  $titles
     */
    public function __construct(
        #[OA\Property(type: 'string', enum: School::class)]
        public School $school,
        #[OA\Property(description: 'What all are brought to', type: 'string', enum: SolveTarget::class)]
        public SolveTarget $to,
        #[OA\Property(description: '× or mm')]
        public float $value,
        #[OA\Property(description: 'What each rig stands for', items: new OA\Items(type: 'string'))]
        public array $names,
        #[OA\Property(description: 'What each is made of', items: new OA\Items(type: 'string'))]
        public array $titles,
    ) {
    }
}
