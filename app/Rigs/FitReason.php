<?php

declare(strict_types=1);

namespace App\Rigs;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Join\Fit;

/** Why a part does not go on a joint, in a few words. */
final class FitReason
{
    public static function of(Fit $fit, Part $part, JointEnd $front): string
    {
        $rear = Describe::joint($part->casing->rear);

        return match ($fit) {
            Fit::LookAlike => $rear.' would bind in '.Describe::joint($front),
            Fit::SameSide => 'both '.$front->side->value,
            Fit::ClipSize => 'the clip is not that size',
            Fit::Unknown => 'its joint is not known',
            default => $rear.'; needs a ring',
        };
    }
}
