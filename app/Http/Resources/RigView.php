<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Reading\FocusState;

/** A rig on the bench: everything its screen shows. */
#[OA\Schema(required: ['id', 'revision', 'kitId', 'name', 'camera', 'chain', 'travels', 'readings', 'range', 'focus', 'infinity', 'doubts', 'takenAs', 'estimates', 'findings', 'cautions', 'drawing', 'subject', 'blurLimitMm', 'history', 'news', 'movesMm', 'share', 'tags', 'schools', 'advice', 'conditions', 'modes', 'water'])]
final readonly class RigView
{
    /**
     * @param  list<ChainPart>  $chain
     * @param  list<TravelView>  $travels
     * @param  list<Doubt>  $doubts
     * @param  list<TakenAsView>  $takenAs
     * @param  list<string>  $estimates
     * @param  list<FindingView>  $findings
     * @param  list<CautionView>  $cautions
     * @param  list<NewsView>  $news
     * @param  list<string>  $tags
     * @param  list<string>  $modes
     * @param  list<WaterView>  $water
     */
    public function __construct(
        #[OA\Property()]
        public int $id,
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public ?int $kitId,
        #[OA\Property()]
        public ?string $name,
        #[OA\Property()]
        public CameraView $camera,
        #[OA\Property(items: new OA\Items(ref: ChainPart::class))]
        public array $chain,
        #[OA\Property(items: new OA\Items(ref: TravelView::class))]
        public array $travels,
        #[OA\Property()]
        public Readings $readings,
        #[OA\Property()]
        public RangeView $range,
        #[OA\Property(type: 'string', enum: FocusState::class)]
        public FocusState $focus,
        #[OA\Property()]
        public InfinityView $infinity,
        #[OA\Property(items: new OA\Items(ref: Doubt::class))]
        public array $doubts,
        #[OA\Property(description: 'Figures that are taken otherwise than given, or were not given', items: new OA\Items(ref: TakenAsView::class))]
        public array $takenAs,
        #[OA\Property(description: 'What was taken for granted, in sentences', items: new OA\Items(type: 'string'))]
        public array $estimates,
        #[OA\Property(items: new OA\Items(ref: FindingView::class))]
        public array $findings,
        #[OA\Property(items: new OA\Items(ref: CautionView::class))]
        public array $cautions,
        #[OA\Property()]
        public DrawingView $drawing,
        #[OA\Property()]
        public ?SubjectView $subject,
        #[OA\Property()]
        public float $blurLimitMm,
        #[OA\Property()]
        public HistoryView $history,
        #[OA\Property(items: new OA\Items(ref: NewsView::class))]
        public array $news,
        #[OA\Property(description: 'How far the step that was just taken makes the rig move to be sharp where it was: above 0 = away from the subject; null = it doesn’t, or no step was taken')]
        public ?float $movesMm,
        #[OA\Property()]
        public ?ShareView $share,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $tags,
        #[OA\Property()]
        public SchoolsView $schools,
        #[OA\Property()]
        public ?AdviceView $advice,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public \stdClass $conditions,
        #[OA\Property(description: 'Crop and video modes of the camera', items: new OA\Items(type: 'string'))]
        public array $modes,
        #[OA\Property(description: 'Above water and below, side by side; empty = there is no port', items: new OA\Items(ref: WaterView::class))]
        public array $water,
    ) {
    }
}
