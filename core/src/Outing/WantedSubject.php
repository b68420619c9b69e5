<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Subject;
use ZincThimble\Core\Search\SearchCriteria;

/** Something that is to be photographed on an outing. */
final readonly class WantedSubject
{
    /** @param  list<string>  $without  parts that must not be used for it, as the kit names them (KitKeys) */
    public function __construct(
        public string $name,
        public SearchCriteria $wanted,
        /** What is known of it besides; null = nothing. */
        public ?Subject $subject = null,
        /** When it has to be photographed; null = whenever it suits. */
        public ?\DateTimeImmutable $at = null,
        /** The rig it is to be done with, as set; null = whichever suits best. */
        public ?Rig $pinned = null,
        public array $without = [],
    ) {
    }

    /**
     * What the checked fields of an outing's file say.
     *
     * @throws InvalidFigure names the blank that can't be so
     */
    public static function from(Values $fields, ?Rig $pinned = null): self
    {
        $at = $fields->stringOrNull('at');

        return new self(
            name: $fields->stringOr('name', 'Subject'),
            wanted: SearchCriteria::from($fields->object('wish')),
            subject: $fields->has('subject') ? Subject::from($fields->object('subject')) : null,
            at: $at === null ? null : new \DateTimeImmutable($at),
            pinned: $pinned,
            without: $fields->strings('without'),
        );
    }

    /** Whether it won't hold still for frame after frame. */
    public function moves(): bool
    {
        return $this->subject !== null && ($this->subject->has('flees') || ($this->subject->acrossMmS ?? 0.0) > 0.0 || ($this->subject->toAndFroMmS ?? 0.0) > 0.0);
    }

    /** All that is known of it, for its rig to be read before. */
    public function whole(): Subject
    {
        $known = [
            'name' => $this->name,
            'widthMm' => $this->wanted->fieldWidthMm, 'depthMm' => $this->wanted->subjectDepthMm, 'flat' => $this->wanted->flat ?: null,
        ];

        return Subject::from(new Values(
            array_filter(array_replace($known, $this->subject->document->fields ?? []), static fn (mixed $value): bool => $value !== null),
        ));
    }
}
