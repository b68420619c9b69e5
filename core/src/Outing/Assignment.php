<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Plan\BagChoice;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Search\PurchaseSuggestion;

/** What one subject is to be photographed with. */
final readonly class Assignment
{
    /**
     * @param  list<Finding>  $warnings
     * @param  list<PurchaseSuggestion>  $buying  where no rig of the kit does it: which one part would
     */
    public function __construct(
        public WantedSubject $subject,
        /** The letter of its rig; null = no rig does it. */
        public ?string $letter,
        /** The rig as set for it, before it, with what is planned of light and shots. */
        public ?Rig $rig,
        public array $warnings = [],
        /** The least that covers all the others; null = it is the only one, or there was no time for it. */
        public ?BagChoice $without = null,
        public array $buying = [],
    ) {
    }
}
