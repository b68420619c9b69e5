<?php

declare(strict_types=1);

namespace ZincThimble\Core\Start;

use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Optics\Axis;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\Travel;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Rig\Travels;

/** The rig of a first visit: set as large as it goes, told in a sentence, and what would help most to know. */
final class FirstRig
{
    /** A scale is shortened by halves until the subject stands in front of the glass: so often. */
    private const HALVES = 12;

    /** What isn't at least a seventh less unsure for being known is not asked for. */
    private const WORTH = 0.85;

    /** Sizes that have a word, and how near to one is that one. */
    private const SIZES = [
        '0.1' => 'A tenth of life size', '0.2' => 'A fifth of life size', '0.25' => 'A quarter of life size', '0.333' => 'A third of life size', '0.5' => 'Half life size', '0.667' => 'Two thirds of life size', '0.75' => 'Three quarters of life size',
        '1' => 'Life size', '1.5' => 'One and a half times life size', '2' => 'Twice life size', '3' => 'Three times life size', '4' => 'Four times life size', '5' => 'Five times life size',
    ];

    private const SIZE = 0.05;

    /** Distances by the hand, up to so many mm. */
    private const HANDS = [[12.0, 'nearly touching'], [28.0, 'from a finger’s breadth away'], [60.0, 'from three fingers’ breadth away'], [125.0, 'from a hand’s width away'], [240.0, 'from a hand’s span away'], [450.0, 'from a forearm’s length away'], [800.0, 'from an arm’s length away']];

    /** Zooms at their long end, rings at their closest, bellows and helicoids as long as leaves the subject in front of the glass. */
    public static function asLargeAsItGoes(Rig $rig): Rig
    {
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind === TravelKind::Zoom) {
                $rig = $rig->with($travel->kind, $travel->part, $travel->greatest);
            }
        }
        // A zoom has another ring at its long end.
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind === TravelKind::Focus) {
                $rig = $rig->with($travel->kind, $travel->part, $travel->greatest);
            }
        }
        foreach (Travels::of($rig) as $travel) {
            if ($travel->kind === TravelKind::Length) {
                $rig = self::drawn($rig, $travel);
            }
        }

        return $rig;
    }

    private static function drawn(Rig $rig, Travel $travel): Rig
    {
        $at = static fn (float $mm): Rig => $rig->with($travel->kind, $travel->part, $mm);
        if (self::isSharp($at($travel->greatest))) {
            return $at($travel->greatest);
        }
        if (! self::isSharp($at($travel->least))) {
            return $rig;
        }
        [$sharp, $beyond] = [$travel->least, $travel->greatest];
        for ($n = 0; $n < self::HALVES; $n++) {
            $middle = ($sharp + $beyond) / 2.0;
            if (self::isSharp($at($middle))) {
                $sharp = $middle;
            } else {
                $beyond = $middle;
            }
        }

        return $at(max($travel->least, floor($sharp)));
    }

    private static function isSharp(Rig $rig): bool
    {
        $axis = Axis::of($rig);
        $reading = Reading::along($rig, $axis);

        return in_array(FocusState::of($rig, $axis, $reading->workingDistanceMm), [FocusState::Sharp, FocusState::AtInfinity], true);
    }

    /** How large, how far off, for how much light, and what becomes of infinity: two sentences; empty where there is no image. */
    public static function sentence(RigReport $told): string
    {
        $reading = $told->reading;
        $m = $reading->magnification;
        $room = $reading->workingDistanceMm;
        if ($m === null || $m <= 0.0 || $room === null || $room < 0.0) {
            return '';
        }
        $stops = $reading->stopsLost;
        $light = $stops === null ? '' : ($stops < 0.17 ? ', for no light to speak of' : ', for '.Phrase::figure($stops, 'stops'));
        [$near, $far] = $told->range->workingDistanceMm;
        $range = match (true) {
            $told->infinity->reached => sprintf('Infinity stays; the nearest is %s in front of it.', Phrase::figure($near ?? $room, 'mm')),
            $far === null || $near === null || $far - $near < 1.0 => 'Infinity goes.',
            default => sprintf('Infinity goes; it focuses from %s to %s in front.', Phrase::digits(max(0.0, $near)), Phrase::figure($far, 'mm')),
        };

        return self::size($m).' '.self::far($room).$light.'. '.$range;
    }

    /**
     * What was left open and would make a figure surer by most if it were known; null = nothing would by a seventh.
     *
     * @param  \Closure(FirstAnswers): Rig  $made  the rig of other answers, set as this one is
     * @param  array<string, mixed>  $lens  the first lens as its fields
     * @return ?array{question: FirstQuestion, reading: string, before: float, after: float}
     */
    public static function wouldHelpMost(FirstAnswers $answers, array $lens, RigReport $told, \Closure $made): ?array
    {
        $guessed = is_array($lens['guessed'] ?? null) ? $lens['guessed'] : [];
        $most = null;
        $least = self::WORTH;
        foreach (FirstQuestion::cases() as $question) {
            $value = $lens[$question->field()] ?? null;
            if (! isset($guessed[$question->field()]) || ! is_int($value) && ! is_float($value)) {
                continue;
            }
            $sure = RigReport::of($made($answers->knowing($question, (float) $value)))->halfWidths;
            foreach (['workingDistanceMm', 'magnification'] as $reading) {
                $before = $told->halfWidths[$reading] ?? null;
                $after = $sure[$reading] ?? null;
                if ($before !== null && $after !== null && $before > 0.0 && $after / $before < $least) {
                    $least = $after / $before;
                    $most = ['question' => $question, 'reading' => $reading, 'before' => $before, 'after' => $after];
                }
            }
        }

        return $most;
    }

    private static function size(float $m): string
    {
        foreach (self::SIZES as $size => $words) {
            if (abs($m / (float) $size - 1.0) <= self::SIZE) {
                return $words;
            }
        }

        return Phrase::digits($m).'× life size';
    }

    private static function far(float $mm): string
    {
        foreach (self::HANDS as [$up, $words]) {
            if ($mm <= $up) {
                return $words;
            }
        }

        return sprintf('from %s m away', Phrase::digits($mm / 1000.0));
    }
}
