<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

/**
 * How good an answer with a width was: the interval score (Gneiting and Raftery 2007), which nobody betters by saying another width than they
 * believe. Widths are to hold nine times in ten. Less is better; 0 = a point at the truth.
 */
final class IntervalScore
{
    /** One in ten may lie outside. */
    public const OUTSIDE = 0.1;

    /**
     * @param  float  $low  of the answer
     * @param  float  $high  not below it
     */
    public static function of(float $low, float $high, float $truth): float
    {
        return $high - $low + 2.0 / self::OUTSIDE * (max(0.0, $low - $truth) + max(0.0, $truth - $high));
    }

    /** The same of an answer to a question: by logarithms where its scale is one, so that a share counts the same everywhere. */
    public static function ofAnswer(Question $question, float $low, float $high): float
    {
        if ($question->unit === 'stops' || $question->isChoice()) {
            return self::of($low, $high, $question->truth);
        }

        return self::of(log(max(1e-9, $low)), log(max(1e-9, $high)), log($question->truth));
    }
}
