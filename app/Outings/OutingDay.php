<?php

declare(strict_types=1);

namespace App\Outings;

use App\Models\Outing;
use ZincThimble\Core\File\EntryDocument;
use ZincThimble\Core\File\OutingFile;
use ZincThimble\Core\Plan\Preparation;

/** When an outing is, and what must be ready when. */
final readonly class OutingDay
{
    /** @param  list<array{\DateTimeImmutable, string}>  $times  subjects that have one, the first first */
    private function __construct(public ?\DateTimeImmutable $startsAt, public ?string $place, public array $times, private OutingFile $file)
    {
    }

    public static function of(OutingFile $file): self
    {
        $times = [];
        foreach ($file->subjects as $subject) {
            $at = EntryDocument::moment($subject->stringOrNull('at'));
            if ($at !== null) {
                $times[] = [$at, $subject->stringOr('name', '')];
            }
        }
        sort($times);

        return new self(EntryDocument::moment($file->fields->stringOrNull('startsAt')), $file->fields->stringOrNull('place'), $times, $file);
    }

    /**
     * Each counted back from when what needs it is photographed, else from when it begins, else from the first fixed time, else from the
     * morning of its day; without any of these there is nothing to count from.
     *
     * @return list<Preparation> in their order
     */
    public function preparations(\DateTimeImmutable $now): array
    {
        $date = $this->file->fields->stringOrNull('date');
        $begins = $this->startsAt ?? $this->times[0][0] ?? ($date === null ? null : new \DateTimeImmutable($date.'T00:00:00Z'));
        $ready = [];
        foreach ($this->file->fields->objects('preparations') as $each) {
            $for = $each->stringOrNull('for');
            $needed = $begins;
            foreach ($this->times as [$at, $name]) {
                $needed = $name === $for ? $at : $needed;
            }
            if ($needed !== null) {
                $ready[] = Preparation::before($needed, $each->stringOr('what', ''), $each->intOr('leadS', 0), $for, $now);
            }
        }

        return Preparation::inOrder($ready);
    }
}
