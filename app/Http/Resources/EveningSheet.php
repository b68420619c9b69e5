<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A club's evening as one answers it. */
#[OA\Schema(required: ['title', 'name', 'questions', 'truths'])]
final readonly class EveningSheet
{
    /**
     * @param  list<AskedView>  $questions
     * @param  list<?TruthView>  $truths
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property(description: 'As it was given; null = none was')]
        public ?string $name,
        #[OA\Property(items: new OA\Items(ref: AskedView::class))]
        public array $questions,
        #[OA\Property(description: 'Of each question once it is answered', items: new OA\Items(nullable: true, oneOf: [new OA\Schema(ref: TruthView::class)]))]
        public array $truths,
    ) {
    }
}
