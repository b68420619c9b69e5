<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What of the log was asked for, the newest first. */
#[OA\Schema(required: ['total', 'page', 'pages', 'entries', 'marks', 'parts', 'subjects'])]
final readonly class LogView
{
    /**
     * @param  list<LogEntry>  $entries
     * @param  list<LogMark>  $marks
     * @param  list<string>  $parts
     * @param  list<string>  $subjects
     */
    public function __construct(
        #[OA\Property(description: 'Entries that stand and fit')]
        public int $total,
        #[OA\Property(description: 'From 1')]
        public int $page,
        #[OA\Property()]
        public int $pages,
        #[OA\Property(items: new OA\Items(ref: LogEntry::class))]
        public array $entries,
        #[OA\Property(description: 'The newest 2,000 that have a magnification and fit but for that', items: new OA\Items(ref: LogMark::class))]
        public array $marks,
        #[OA\Property(description: 'Parts that the log names', items: new OA\Items(type: 'string'))]
        public array $parts,
        #[OA\Property(items: new OA\Items(type: 'string'))]
        public array $subjects,
    ) {
    }
}
