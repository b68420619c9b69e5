<?php

declare(strict_types=1);

namespace ZincThimble\Core\Outing;

/** What of a prediction is held against what was measured. */
enum LedgerFigure: string
{
    case Magnification = 'magnification';
    case WorkingDistance = 'workingDistanceMm';
    case Slice = 'sliceMm';

    /** The key of its half-width in an entry. */
    public function halfWidth(): string
    {
        return $this->value.'HalfWidth';
    }
}
