<?php

declare(strict_types=1);

namespace App\Bench;

use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Joint\Fit;

/** Whether a part goes on a joint, and how or why not, in a few words. */
final class FitReason
{
    /** Of what goes on only turned round. */
    public const REVERSED = 'goes on reversed';

    /**
     * @param  ?Fit  $turned  how it fits turned round; null = it can't be
     * @return array{bool, string} nothing is said of what goes on as it is
     */
    public static function verdict(Fit $fit, ?Fit $turned, Part $part, JointEnd $front): array
    {
        return match (true) {
            $fit->holds() && $fit !== Fit::Unknown => [true, ''],
            $turned === Fit::Mates => [true, self::REVERSED],
            default => [false, self::of($fit, $part, $front)],
        };
    }

    private static function of(Fit $fit, Part $part, JointEnd $front): string
    {
        $rear = Describe::joint($part->identity->rear);

        return match ($fit) {
            Fit::LookAlike => $rear.' would bind in '.Describe::joint($front),
            Fit::SameSide => 'both '.$front->side->value,
            Fit::ClipSize => 'the clip is not that size',
            Fit::Unknown => 'its joint is not known',
            default => $rear.'; needs a ring',
        };
    }
}
