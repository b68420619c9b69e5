<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Stack;

/** Questions for a figure, each of one rig; null = this rig can't ask it. Truths are what the bench reads of it. */
final class FigureQuestions
{
    /** The subject of questions about stacks, mm deep. */
    public const DEEP_MM = 2.0;

    /** The bar beside a drawing, mm. */
    public const BAR_MM = 50.0;

    /** A drawing is read to scale only where its air isn't cut short: no more of it than so many times the rig. */
    private const MOST_AIR = 1.2;

    public static function tube(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->magnification === null) {
            return null;
        }
        $f = $asked->settledFocalMm();
        $extension = $asked->extension();

        return new Question(
            kind: QuestionKind::TubeMagnifies, name: $asked->name(QuestionKind::TubeMagnifies), pattern: '{lens} with its ring at infinity, {tubes} behind it. How large does it draw?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'x', truth: $reading->magnification, halfWidth: $asked->half('magnification'),
            reason: 'The lens stands {extension:mm} further out than for infinity, and that over its focal length of {f:focal} is the magnification.', reasonNumbers: ['extension' => $extension, 'f' => $f],
            thumb: $asked->tubeLength() / $lens->figures->focalLengthMm, thumbWords: 'tube over focal length', mistake: ($asked->tubeLength() + $lens->figures->focalLengthMm) / $lens->figures->focalLengthMm, rig: $asked->rig,
        );
    }

    public static function wanted(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        if ($reading->magnification === null || $reading->magnification <= 0.0) {
            return null;
        }
        $length = $asked->tubeLength();
        // An adapter makes up for a register; what is asked for is what comes on top of it.
        if (! $asked->isTubesAlone()) {
            return null;
        }
        $m = $reading->magnification;
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::TubeWanted, name: $asked->name(QuestionKind::TubeWanted), pattern: 'How much tube behind {lens}, its ring at infinity, for {m:x}?', numbers: ['lens' => $lens->label(), 'm' => $m],
            unit: 'mm', truth: $length, halfWidth: $length * $asked->half('magnification') / $m, reason: 'So much further out as its focal length of {f:focal} times {m:x}: {length:mm}.', reasonNumbers: ['f' => $asked->settledFocalMm(), 'm' => $m, 'length' => $length],
            thumb: $m * $f, thumbWords: 'focal length times magnification', mistake: (1.0 + $m) * $f, rig: $asked->rig,
        );
    }

    public static function adds(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        if ($reading->magnification === null || count($asked->rig->chain) < 3 || $asked->rig->chain[0]->kind !== Kind::Tube || $asked->rig->chain[1]->kind !== Kind::Tube) {
            return null;
        }
        $one = $asked->rig->without([0]);
        $m = Reading::of($one)->magnification;
        if ($m === null || $m <= 0.0) {
            return null;
        }
        $added = $asked->rig->chain[0]->shortestMm();

        return new Question(
            kind: QuestionKind::TubeAdds, name: $asked->name(QuestionKind::TubeAdds), pattern: '{lens} on {other} draws {m:x}. {tube} goes in as well: how large then?',
            numbers: ['lens' => $lens->label(), 'other' => $asked->rig->chain[1]->label(), 'm' => $m, 'tube' => $asked->rig->chain[0]->label()], unit: 'x', truth: $reading->magnification, halfWidth: $asked->half('magnification'),
            reason: 'Another {added:mm} over {f:focal} comes on top of what it was.', reasonNumbers: ['added' => $added, 'f' => $asked->settledFocalMm()],
            thumb: $m + $added / $lens->figures->focalLengthMm, thumbWords: 'what it was, and tube over focal length', mistake: $m * (1.0 + $added / $lens->figures->focalLengthMm) ** 2, rig: $asked->rig,
        );
    }

    public static function room(AskedRig $asked, QuestionKind $kind): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        $m = $reading->magnification;
        if ($reading->workingDistanceMm === null || $m === null || $m <= 0.0 || $reading->workingDistanceMm <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: $kind, name: $asked->name($kind), pattern: $lens->reversed ? '{lens} turned round, {tubes} behind it. How far from the subject is its front?' : '{lens} with its ring at infinity, {tubes} behind it. How far from the subject is its front?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'mm', truth: $reading->workingDistanceMm, halfWidth: $asked->half('workingDistanceMm'),
            reason: 'From its front plane it is its focal length times one and one over {m:x}; the rest of the way is glass and metal in front of that plane.', reasonNumbers: ['m' => $m],
            thumb: $f * (1.0 + 1.0 / $m), thumbWords: 'focal length times (1 + 1 / magnification)', mistake: $f * (1.0 + 1.0 / $m) * 2.0, rig: $asked->rig,
        );
    }

    public static function fromSensor(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        $m = $reading->magnification;
        if ($reading->subjectDistanceMm === null || $m === null || $m <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::FromSensor, name: $asked->name(QuestionKind::FromSensor), pattern: '{lens} with its ring at infinity, {tubes} behind it. How far is the subject from the sensor?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'mm', truth: $reading->subjectDistanceMm, halfWidth: $asked->half('subjectDistanceMm'),
            reason: 'Its focal length times (2 + {m:x} + 1 / {m:x}), and what lies between its two planes.', reasonNumbers: ['m' => $m],
            thumb: $f * (2.0 + $m + 1.0 / $m), thumbWords: 'focal length times (2 + m + 1 / m)', mistake: $f * (1.0 + 1.0 / $m), rig: $asked->rig,
        );
    }

    public static function lost(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->stopsLost === null || $reading->magnification === null) {
            return null;
        }
        $m = $reading->magnification;

        return new Question(
            kind: QuestionKind::StopsLost, name: $asked->name(QuestionKind::StopsLost), pattern: '{lens}{way}, {tubes} behind it, draws {m:x}. How many stops of light does that cost?',
            numbers: ['lens' => $lens->label(), 'way' => $asked->way(), 'tubes' => $tubes, 'm' => $m], unit: 'stops', truth: $reading->stopsLost, halfWidth: $asked->half('stopsLost'),
            reason: 'At {m:x} the f-number that counts is {n} times what is marked.', reasonNumbers: ['m' => $m, 'n' => 2.0 ** ($reading->stopsLost / 2.0)],
            thumb: 2.0 * log(1.0 + $m, 2.0), thumbWords: 'two stops for each doubling of (1 + magnification)', mistake: log(1.0 + $m, 2.0), rig: $asked->rig,
        );
    }

    public static function real(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->effectiveAperture === null || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $marked = $reading->markedAperture;

        return new Question(
            kind: QuestionKind::RealAperture, name: $asked->name(QuestionKind::RealAperture), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. Which f-number is that really?',
            numbers: ['lens' => $lens->label(), 'way' => $asked->way(), 'tubes' => $tubes, 'marked' => $marked, 'm' => $reading->magnification],
            unit: 'f', truth: $reading->effectiveAperture, halfWidth: $asked->half('effectiveAperture'), reason: 'What is marked times one and {m:x}, as its pupils share that.', reasonNumbers: ['m' => $reading->magnification],
            thumb: $marked * (1.0 + $reading->magnification), thumbWords: 'N times (1 + magnification)', mistake: $marked, rig: $asked->rig,
        );
    }

    public static function longer(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->effectiveAperture === null || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $truth = Light::exposureFactor($reading->effectiveAperture, $reading->markedAperture);

        return new Question(
            kind: QuestionKind::TimesLonger, name: $asked->name(QuestionKind::TimesLonger), pattern: '{lens} with {tubes} behind it draws {m:x}. How many times longer than a meter in the hand says?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes, 'm' => $reading->magnification], unit: 'times', truth: $truth, halfWidth: 2.0 * $truth * $asked->half('effectiveAperture') / $reading->effectiveAperture,
            reason: 'The real f-number over the marked one, squared: {real:f} over {marked:f}.', reasonNumbers: ['real' => $reading->effectiveAperture, 'marked' => $reading->markedAperture],
            thumb: (1.0 + $reading->magnification) ** 2, thumbWords: '(1 + magnification) squared', mistake: 1.0 + $reading->magnification, rig: $asked->rig,
        );
    }

    public static function turned(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->magnification === null) {
            return null;
        }
        $behind = $asked->rig->camera->registerMm + $asked->tubeLength();
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::TurnedMagnifies, name: $asked->name(QuestionKind::TurnedMagnifies), pattern: '{lens} turned round, {tubes} behind it. How large does it draw?', numbers: ['lens' => $lens->label(), 'tubes' => $tubes],
            unit: 'x', truth: $reading->magnification, halfWidth: $asked->half('magnification'), reason: 'Its front rim stands {behind:mm} from the sensor, and its plane further out by what lies behind it; over {f:focal}, less one.', reasonNumbers: ['behind' => $behind, 'f' => $f],
            thumb: $behind / $f, thumbWords: 'register and rings over focal length', mistake: ($behind - $asked->rig->camera->registerMm) / $f, rig: $asked->rig,
        );
    }

    public static function glass(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $glass = $asked->rig->chain[count($asked->rig->chain) - 1];
        if (! $glass instanceof CloseUpLens || $reading->magnification === null || $glass->powerD <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::GlassMagnifies, name: $asked->name(QuestionKind::GlassMagnifies), pattern: '{lens} with its ring at infinity and {glass} on its front. How large does it draw?', numbers: ['lens' => $lens->label(), 'glass' => $glass->label()],
            unit: 'x', truth: $reading->magnification, halfWidth: $asked->half('magnification'), reason: 'Focal length of the lens, {f:focal}, over that of the glass, {g:focal}.', reasonNumbers: ['f' => $asked->settledFocalMm(), 'g' => 1000.0 / $glass->powerD],
            thumb: $f * $glass->powerD / 1000.0, thumbWords: 'focal length in metres times dioptres', mistake: $glass->powerD / 10.0, rig: $asked->rig,
        );
    }

    public static function furthest(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $glass = $asked->rig->chain[count($asked->rig->chain) - 1];
        if (! $glass instanceof CloseUpLens || $reading->workingDistanceMm === null || $glass->powerD <= 0.0) {
            return null;
        }

        return new Question(
            kind: QuestionKind::GlassFurthest, name: $asked->name(QuestionKind::GlassFurthest), pattern: '{glass} on {lens}. How far from its front is the furthest that still comes out sharp?', numbers: ['lens' => $lens->label(), 'glass' => $glass->label()],
            unit: 'mm', truth: $reading->workingDistanceMm, halfWidth: $asked->half('workingDistanceMm'), reason: 'With the ring at infinity it is the focal length of the glass, {g:focal}, whatever lens is behind it.', reasonNumbers: ['g' => 1000.0 / $glass->powerD],
            thumb: 1000.0 / $glass->powerD, thumbWords: '1000 over dioptres', mistake: 1000.0 / $glass->powerD / 2.0, rig: $asked->rig,
        );
    }

    public static function slice(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        if ($reading->depthOfFieldMm === null || $reading->markedAperture === null || $reading->magnification === null || $reading->magnification <= 0.0) {
            return null;
        }
        $m = $reading->magnification;
        $marked = $reading->markedAperture;

        return new Question(
            kind: QuestionKind::SliceDeep, name: $asked->name(QuestionKind::SliceDeep), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. How deep is the slice that is sharp?',
            numbers: ['lens' => $lens->label(), 'way' => $asked->way(), 'tubes' => $tubes, 'marked' => $marked, 'm' => $m], unit: 'mm', truth: $reading->depthOfFieldMm, halfWidth: $asked->half('depthOfFieldMm'),
            reason: 'Twice the blur limit of {c:mm} times the real f-number, {real:f}, over the square of {m:x}.', reasonNumbers: ['c' => $asked->rig->blurLimitMm, 'real' => (float) $reading->effectiveAperture, 'm' => $m],
            thumb: 2.0 * $asked->rig->blurLimitMm * $marked * (1.0 + $m) / ($m * $m), thumbWords: '2 c N (1 + m) / m²', mistake: 2.0 * $asked->rig->blurLimitMm * $marked / ($m * $m) / 2.0, rig: $asked->rig,
        );
    }

    public static function frames(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        $reading = $asked->reading();
        $tubes = $asked->tubes;
        $slice = $reading->depthOfFieldMm;
        // What a frame or two nearly do is no stack.
        if ($slice === null || $slice <= 0.0 || $slice > self::DEEP_MM / 2.0 || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $frames = (float) Stack::frames(self::DEEP_MM, $slice, Stack::OVERLAP);

        return new Question(
            kind: QuestionKind::FramesNeeded, name: $asked->name(QuestionKind::FramesNeeded), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. How many frames for a subject {deep:mm} deep?',
            numbers: ['lens' => $lens->label(), 'way' => $asked->way(), 'tubes' => $tubes, 'marked' => $reading->markedAperture, 'm' => $reading->magnification, 'deep' => self::DEEP_MM],
            unit: 'n', truth: $frames, halfWidth: $frames * $asked->half('depthOfFieldMm') / $slice, reason: 'The slice is {slice:mm}, and a quarter of it lies in the next one: a step of {step:mm}.', reasonNumbers: ['slice' => $slice, 'step' => 0.75 * $slice],
            thumb: self::DEEP_MM / $slice, thumbWords: 'depth over slice', mistake: $frames * 2.0, rig: $asked->rig,
        );
    }

    /** Nothing but the drawing tells it: what stands there isn't named. */
    public static function drawing(AskedRig $asked): ?Question
    {
        $reading = $asked->reading();
        $room = $reading->workingDistanceMm;
        $whole = $reading->subjectDistanceMm;
        if ($room === null || $whole === null || $room <= 0.0 || $room > self::MOST_AIR * ($whole - $room)) {
            return null;
        }

        return new Question(
            kind: QuestionKind::ReadDrawing, name: $asked->name(QuestionKind::ReadDrawing), pattern: 'This is drawn to scale, the bar is {bar:mm} long. How far from the subject is the front?', numbers: ['bar' => self::BAR_MM],
            unit: 'mm', truth: $room, halfWidth: $asked->half('workingDistanceMm'), reason: 'It is {lens}{way}, {tubes} behind it: the bar goes into the air before it {times} times.',
            reasonNumbers: ['lens' => $asked->lens->label(), 'way' => $asked->way(), 'tubes' => $asked->tubes, 'times' => $room / self::BAR_MM], thumb: null, thumbWords: 'from the front of the rig to its plane, never from the sensor', mistake: $whole, rig: $asked->rig,
        );
    }
}
