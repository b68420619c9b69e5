<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Report\Sweep;
use ZincThimble\Core\Rig\Rig;

/** Every reading at every position of one control. */
#[OA\Schema(required: ['travel', 'revision', 'index', 'positions', 'readings', 'still', 'cornerParts', 'focus', 'halfWidths', 'findings', 'frontMm', 'tipMm', 'groups'])]
final readonly class SweepView
{
    /**
     * @param  array<string, SweepColumn>  $readings
     * @param  list<string>  $still
     * @param  list<SweepCorner>  $cornerParts
     * @param  list<SweepFocus>  $focus
     * @param  array<string, SweepColumn>  $halfWidths
     * @param  list<SweepFinding>  $findings
     * @param  list<SweepGroup>  $groups
     */
    public function __construct(
        #[OA\Property()]
        public string $travel,
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public int $index,
        #[OA\Property()]
        public SweepPlaces $positions,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(ref: SweepColumn::class))]
        public array $readings,
        #[OA\Property(description: 'Readings that this control doesn’t move: the rig tells them', items: new OA\Items(type: 'string'))]
        public array $still,
        #[OA\Property(items: new OA\Items(ref: SweepCorner::class))]
        public array $cornerParts,
        #[OA\Property(items: new OA\Items(ref: SweepFocus::class))]
        public array $focus,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(ref: SweepColumn::class))]
        public array $halfWidths,
        #[OA\Property(items: new OA\Items(ref: SweepFinding::class))]
        public array $findings,
        #[OA\Property()]
        public SweepPlaces $frontMm,
        #[OA\Property()]
        public SweepPlaces $tipMm,
        #[OA\Property(items: new OA\Items(ref: SweepGroup::class))]
        public array $groups,
    ) {
    }

    public static function of(Sweep $sweep, Rig $rig, int $revision): self
    {
        $columns = $sweep->readings($rig);
        $still = Sweep::still($columns);

        return new self(
            travel: $sweep->travel->name(),
            revision: $revision,
            index: $sweep->travel->part,
            positions: SweepPlaces::of($sweep->positions),
            readings: array_map(SweepColumn::of(...), array_diff_key($columns, array_flip($still))),
            still: $still,
            cornerParts: array_map(static fn (array $each): SweepCorner => new SweepCorner(...$each), $sweep->cornerParts($rig)),
            focus: array_map(static fn (array $each): SweepFocus => new SweepFocus(...$each), $sweep->focus($rig)),
            halfWidths: array_map(SweepColumn::of(...), $sweep->halfWidths),
            findings: array_map(SweepFinding::of(...), $sweep->spans),
            frontMm: SweepPlaces::of($sweep->drawing->frontMm),
            tipMm: SweepPlaces::of($sweep->drawing->tipMm),
            groups: array_map(SweepGroup::of(...), array_values($sweep->drawing->groups)),
        );
    }
}
