<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** The rig of an entry, and what has changed since. */
#[OA\Schema(required: ['title', 'scales', 'unread', 'parts', 'then', 'now', 'trouble', 'body', 'drawn', 'tipMm', 'subjectDistanceMm', 'lens', 'lensKit', 'settled'])]
final readonly class SinceView
{
    /**
     * @param  list<ScaleView>  $scales
     * @param  list<string>  $unread
     * @param  list<SincePart>  $parts
     * @param  list<DrawingPart>  $drawn
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property(description: 'As engraved', items: new OA\Items(ref: ScaleView::class))]
        public array $scales,
        #[OA\Property(description: 'Parts whose scales say what can’t be read: the rig stands there as it was planned', items: new OA\Items(type: 'string'))]
        public array $unread,
        #[OA\Property(description: 'Those that are as they were left out', items: new OA\Items(ref: SincePart::class))]
        public array $parts,
        #[OA\Property(description: 'What its parts gave by the figures of then')]
        public LoggedView $then,
        #[OA\Property(description: 'And by those of today; null where they can’t be set so')]
        public ?LoggedView $now,
        #[OA\Property(description: 'Why not')]
        public ?string $trouble,
        #[OA\Property()]
        public DrawingCamera $body,
        #[OA\Property(items: new OA\Items(ref: DrawingPart::class))]
        public array $drawn,
        #[OA\Property()]
        public float $tipMm,
        #[OA\Property()]
        public ?float $subjectDistanceMm,
        #[OA\Property(description: 'The lens, as its row in the kit, to which what was measured can go as a shot')]
        public ?int $lens,
        #[OA\Property(description: 'The kit that it belongs to')]
        public ?int $lensKit,
        #[OA\Property(description: 'Whether that lens has the shot')]
        public bool $settled,
    ) {
    }
}
