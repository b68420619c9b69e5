<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** An entry of the log as its list shows it. */
#[OA\Schema(required: ['id', 'outing', 'outingName', 'at', 'subject', 'title', 'scales', 'unread', 'magnification', 'measured', 'predicted', 'inside', 'aperture', 'exposureS', 'iso', 'frames', 'light', 'trial', 'sharpest', 'pictures', 'result', 'note', 'replaces'])]
final readonly class LogEntry
{
    /**
     * @param  list<ScaleView>  $scales
     * @param  list<string>  $unread
     * @param  list<TrialStop>  $trial
     * @param  list<LoggedPicture>  $pictures
     * @param  list<string>  $replaces
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public int $outing,
        #[OA\Property()]
        public string $outingName,
        #[OA\Property(description: 'By the clock of who wrote it')]
        public string $at,
        #[OA\Property()]
        public ?string $subject,
        #[OA\Property(description: 'The rig in a line')]
        public string $title,
        #[OA\Property(description: 'As engraved', items: new OA\Items(ref: ScaleView::class))]
        public array $scales,
        #[OA\Property(description: 'Parts whose scales say what can’t be read', items: new OA\Items(type: 'string'))]
        public array $unread,
        #[OA\Property(description: 'Measured, else as it was said')]
        public ?float $magnification,
        #[OA\Property()]
        public LoggedView $measured,
        #[OA\Property(description: 'What was said of it at that moment, or what its scales give')]
        public LoggedView $predicted,
        #[OA\Property()]
        public InsideView $inside,
        #[OA\Property()]
        public ?float $aperture,
        #[OA\Property()]
        public ?float $exposureS,
        #[OA\Property()]
        public ?float $iso,
        #[OA\Property()]
        public ?int $frames,
        #[OA\Property()]
        public ?string $light,
        #[OA\Property(items: new OA\Items(ref: TrialStop::class))]
        public array $trial,
        #[OA\Property(description: 'The f-number of the trial at which the edge was sharpest')]
        public ?float $sharpest,
        #[OA\Property(items: new OA\Items(ref: LoggedPicture::class))]
        public array $pictures,
        #[OA\Property(description: '1 to 5')]
        public ?int $result,
        #[OA\Property()]
        public ?string $note,
        #[OA\Property(items: new OA\Items(type: 'string', format: 'uuid'))]
        public array $replaces,
    ) {
    }
}
