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
     * @param  list<float>  $positions
     * @param  array<string, array<int, ?float>>  $readings
     * @param  list<string>  $still
     * @param  list<SweepCorner>  $cornerParts
     * @param  list<SweepFocus>  $focus
     * @param  array<string, array<int, ?float>>  $halfWidths
     * @param  list<SweepFinding>  $findings
     * @param  list<float>  $frontMm
     * @param  list<float>  $tipMm
     * @param  list<SweepGroup>  $groups
     */
    public function __construct(
        #[OA\Property()]
        public string $travel,
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public int $index,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $positions,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'number', nullable: true)))]
        public array $readings,
        #[OA\Property(description: 'Readings that this control doesn’t move: the rig tells them', items: new OA\Items(type: 'string'))]
        public array $still,
        #[OA\Property(items: new OA\Items(ref: SweepCorner::class))]
        public array $cornerParts,
        #[OA\Property(items: new OA\Items(ref: SweepFocus::class))]
        public array $focus,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'number', nullable: true)))]
        public array $halfWidths,
        #[OA\Property(items: new OA\Items(ref: SweepFinding::class))]
        public array $findings,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $frontMm,
        #[OA\Property(items: new OA\Items(type: 'number'))]
        public array $tipMm,
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
            positions: $sweep->positions,
            readings: array_diff_key($columns, array_flip($still)),
            still: $still,
            cornerParts: array_map(static fn (array $each): SweepCorner => new SweepCorner(...$each), $sweep->cornerParts($rig)),
            focus: array_map(static fn (array $each): SweepFocus => new SweepFocus(...$each), $sweep->focus($rig)),
            halfWidths: $sweep->halfWidths,
            findings: array_map(SweepFinding::of(...), $sweep->spans),
            frontMm: $sweep->drawing->frontMm,
            tipMm: $sweep->drawing->tipMm,
            groups: array_map(static fn (array $each): SweepGroup => new SweepGroup(...$each), array_values($sweep->drawing->groups)),
        );
    }
}
