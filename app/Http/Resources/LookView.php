<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use ZincThimble\Core\Practice\CameraTask;

/** What stands before a rig’s made-up camera. */
#[OA\Schema(required: ['revision', 'target', 'task', 'hidden', 'closed', 'lost', 'exposureStops', 'aperture', 'widest', 'stops', 'exposureS', 'iso', 'isMetered', 'railMm', 'travelMm', 'unitMm', 'middleMm', 'nearMm', 'farMm', 'deepMm', 'fieldWidthMm', 'columns', 'rows', 'crop', 'stackFrames', 'stackTrouble', 'stackSeconds', 'trouble', 'run', 'frames', 'lens', 'shot'])]
final readonly class LookView
{
    /**
     * @param  list<FrameView>  $frames
     * @param  list<float>  $stops
     * @param  array{width: int, height: int}  $crop
     */
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property(ref: LookTargetView::class)]
        public LookTargetView $target,
        #[OA\Property(description: 'What is to be done before it', type: 'string', enum: CameraTask::class, nullable: true)]
        public ?CameraTask $task,
        #[OA\Property(description: 'Whether its lens truly is something else than is known of it')]
        public bool $hidden,
        #[OA\Property(description: 'Whether the diaphragm is closed while composing')]
        public bool $closed,
        #[OA\Property(description: 'Whether the connection is switched off')]
        public bool $lost,
        #[OA\Property()]
        public float $exposureStops,
        #[OA\Property(description: 'Marked number, as it is set')]
        public ?float $aperture,
        #[OA\Property()]
        public ?float $widest,
        #[OA\Property(description: 'Marked stops that the lens has here, the widest first', items: new OA\Items(type: 'number'))]
        public array $stops,
        #[OA\Property()]
        public float $exposureS,
        #[OA\Property()]
        public float $iso,
        #[OA\Property(description: 'Whether no light is known, so that the camera’s meter chooses')]
        public bool $isMetered,
        #[OA\Property()]
        public float $railMm,
        #[OA\Property()]
        public float $travelMm,
        #[OA\Property(description: 'The least way that the rail goes')]
        public float $unitMm,
        #[OA\Property(description: 'Of the rail, where the middle of the target’s depth is in focus')]
        public float $middleMm,
        #[OA\Property(description: 'Sharp before the plane of focus, at the aperture of composing')]
        public ?float $nearMm,
        #[OA\Property()]
        public ?float $farMm,
        #[OA\Property(description: 'Depth of the target that a stack goes through')]
        public float $deepMm,
        #[OA\Property()]
        public float $fieldWidthMm,
        #[OA\Property()]
        public int $columns,
        #[OA\Property()]
        public int $rows,
        #[OA\Property(type: 'object', required: ['width', 'height'], properties: [new OA\Property(property: 'width', type: 'integer'), new OA\Property(property: 'height', type: 'integer')], description: 'Pixels of a frame that are kept')]
        public array $crop,
        #[OA\Property(description: 'null = none can be run')]
        public ?int $stackFrames,
        #[OA\Property(description: 'Why none can be run')]
        public ?string $stackTrouble,
        #[OA\Property()]
        public ?float $stackSeconds,
        #[OA\Property(description: 'Why the devices can’t be reached; null = they are')]
        public ?string $trouble,
        #[OA\Property(ref: RunView::class, nullable: true)]
        public ?RunView $run,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FrameView::class))]
        public array $frames,
        #[OA\Property(description: 'What the lens is called')]
        public ?string $lens,
        #[OA\Property(ref: ShotSetup::class, nullable: true, description: 'This rig as a shot of its lens; null = none can be told from it')]
        public ?ShotSetup $shot,
    ) {
    }
}
