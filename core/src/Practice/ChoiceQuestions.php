<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Finding\Severity;
use ZincThimble\Core\Gear\ApertureControl;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Reading\BestAperture;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\ApertureWorked;
use ZincThimble\Core\Rig\TravelKind;

/** Questions for one of several words; null = this can't be asked here. */
final class ChoiceQuestions
{
    /** Two magnifications nearer to each other aren't worth the question. */
    private const APART = 1.15;

    /** Nor are two stops whose blur differs less. */
    private const BLURRED = 1.25;

    /** The subject of the question for a stop, mm deep. */
    public const DEEP_MM = 1.0;

    /** What may be wrong with a rig, as somebody would call out on seeing it. */
    public const FAULTS = [
        'focus-inside' => 'the plane of focus lies inside the lens',
        'aperture-stuck' => 'nothing works its diaphragm',
        'grip-fouls' => 'the grip of the camera is in the way',
        'vignette' => 'its corners go dark',
        'light-shut-out' => 'no light gets in between lens and subject',
        'diopter-strong' => 'the close-up lens is too strong for one glass',
        'turn-it-round' => 'its lens should be turned round',
        'diffraction' => 'it is stopped down too far',
        'slice-thin' => 'the sharp slice is too thin to find',
        'sway' => 'it sways while the picture is taken',
        'heavy-front' => 'its front is too heavy for the mount',
        'bare-rear' => 'its rear glass stands bare to dust and flare',
        'body-uncoupled' => 'the body doesn’t know that a lens is there',
    ];

    public static function joins(Part $first, Part $second, Fit $fit): ?Question
    {
        // What isn't known, and what only tape holds, is no question.
        if ($fit === Fit::Unknown || $fit === Fit::Improvised) {
            return null;
        }
        $does = $fit === Fit::Mates;
        $clips = $second instanceof CloseUpLens && $second->clipMinMm !== null && $second->clipMaxMm !== null ? ['least' => $second->clipMinMm, 'most' => $second->clipMaxMm] : [];
        if ($second->identity->rear->main()?->type === JointType::Clip && ($clips === [] || ! $first instanceof Lens)) {
            return null;
        }

        return new Question(
            kind: QuestionKind::Joins, name: self::joinsName($first, $second), pattern: '{second} onto the front of {first}: does that go?', numbers: ['first' => $first->label(), 'second' => $second->label()],
            unit: '', truth: $does ? 0.0 : 1.0, halfWidth: 0.0, reason: match (true) {
                $clips !== [] => 'Its clip goes round fronts from {least:mm} to {most:mm}.',
                $does => 'Both ends are {front}.',
                $fit === Fit::LookAlike => 'As wide, but of another pitch: it begins, binds, and ruins both.',
                $fit === Fit::SameSide => 'Both are the same half of it.',
                default => 'One end is {front}, the other {rear}.',
            }, reasonNumbers: $clips + ['front' => $first->identity->front->main()?->spoken() ?? 'nothing', 'rear' => $second->identity->rear->main()?->spoken() ?? 'nothing'],
            thumb: null, thumbWords: 'the same joint, one half male and one female', mistake: $does ? 1.0 : 0.0, options: ['yes', 'no'],
        );
    }

    public static function joinsName(Part $first, Part $second): string
    {
        return QuestionKind::Joins->value.' '.$first->label().' / '.$second->label();
    }

    public static function larger(AskedRig $one, AskedRig $other): ?Question
    {
        [$a, $b] = [$one->reading()->magnification, $other->reading()->magnification];
        if ($a === null || $b === null || $a <= 0.0 || $b <= 0.0 || $one->rig->camera !== $other->rig->camera || $one->words() === $other->words() || abs(log($a / $b)) < log(self::APART) + $one->half('magnification') / $a + $other->half('magnification') / $b) {
            return null;
        }

        return new Question(
            kind: QuestionKind::LargerOfTwo, name: self::largerName($one, $other), pattern: 'Which of these two draws larger?', numbers: [],
            unit: '', truth: $a > $b ? 0.0 : 1.0, halfWidth: 0.0, reason: 'One draws {a:x}, the other {b:x}.', reasonNumbers: ['a' => $a, 'b' => $b], thumb: null, thumbWords: 'more extension, or a shorter lens, draws larger', mistake: $a > $b ? 1.0 : 0.0,
            options: [$one->words(), $other->words()], rig: $one->rig,
        );
    }

    public static function largerName(AskedRig $one, AskedRig $other): string
    {
        return $one->name(QuestionKind::LargerOfTwo).' / '.$other->name(QuestionKind::LargerOfTwo);
    }

    public static function infinity(AskedRig $asked): ?Question
    {
        $lens = $asked->lens;
        if ($lens->figures->registerMm === null || $lens->reversed) {
            return null;
        }
        $spare = $lens->figures->registerMm - $asked->rig->camera->registerMm - $asked->tubeLength();
        // So near to it that a shim decides is no question.
        if (abs($spare) < 1.0 && $spare !== 0.0) {
            return null;
        }
        $keeps = $spare >= 0.0;

        return new Question(
            kind: QuestionKind::KeepsInfinity, name: $asked->name(QuestionKind::KeepsInfinity), pattern: '{lens} with {tubes} behind it: does a far hill still come out sharp?', numbers: ['lens' => $lens->label(), 'tubes' => $asked->tubes],
            unit: '', truth: $keeps ? 0.0 : 1.0, halfWidth: 0.0, reason: 'The lens wants {register:mm} to the sensor, and has {has:mm}.', reasonNumbers: ['register' => $lens->figures->registerMm, 'has' => $asked->rig->camera->registerMm + $asked->tubeLength()],
            thumb: null, thumbWords: 'no ring may make it longer than its own register', mistake: $keeps ? 1.0 : 0.0, options: ['yes', 'no'], rig: $asked->rig,
        );
    }

    /** Which of three stops is sharpest all through a subject in one frame. */
    public static function stop(AskedRig $asked): ?Question
    {
        $best = BestAperture::of($asked->rig, self::DEEP_MM)?->single;
        $stops = $asked->rig->stopsAt($asked->at);
        if ($best === null || count($stops) < 3) {
            return null;
        }
        $blur = static function (float $stop) use ($asked): float {
            $rig = $asked->rig->with(TravelKind::Aperture, $asked->at, $stop);

            return BestAperture::edgeBlurOf($rig, Reading::of($rig), self::DEEP_MM) ?? INF;
        };
        $m = $asked->reading()->magnification;
        $real = $asked->rig->with(TravelKind::Aperture, $asked->at, $best);
        // The best one is as often the widest or the narrowest of the three: its place tells nothing.
        $least = $blur($best);
        $blurred = array_values(array_filter($stops, static fn (float $stop): bool => $stop !== $best && $blur($stop) >= self::BLURRED * $least));
        $wider = array_values(array_filter($blurred, static fn (float $stop): bool => $stop < $best));
        $narrower = array_values(array_filter($blurred, static fn (float $stop): bool => $stop > $best));
        $ways = array_values(array_filter([
            $wider !== [] && $narrower !== [] ? [$wider[0], $narrower[count($narrower) - 1]] : null,
            count($wider) > 1 ? [$wider[0], $wider[count($wider) - 1]] : null,
            count($narrower) > 1 ? [$narrower[0], $narrower[count($narrower) - 1]] : null,
        ]));
        if ($m === null || $ways === []) {
            return null;
        }
        $offered = [$best, ...$ways[crc32($asked->name(QuestionKind::WhichStop)) % count($ways)]];
        sort($offered);
        $place = (float) array_search($best, $offered, true);

        return new Question(
            kind: QuestionKind::WhichStop, name: $asked->name(QuestionKind::WhichStop), pattern: '{lens}{way}, {tubes} behind it, draws {m:x}. One frame of a subject {deep:mm} deep: at which stop is it sharpest from front to back?',
            numbers: ['lens' => $asked->lens->label(), 'way' => $asked->way(), 'tubes' => $asked->tubes, 'm' => $m, 'deep' => self::DEEP_MM], unit: '', truth: $place, halfWidth: 0.0,
            reason: 'There, at a real {real:f}, diffraction and what lies before and behind the plane blur about alike; wider the depth goes, narrower all of it.', reasonNumbers: ['real' => (float) Reading::of($real)->effectiveAperture],
            thumb: null, thumbWords: 'the real f-number is about 20 times the magnification, times the root of the depth in mm', mistake: $place === 2.0 ? 1.0 : 2.0, options: array_map(static fn (float $stop): string => Phrase::figure($stop, 'f'), $offered), rig: $asked->rig,
        );
    }

    /** How a stop is got on this rig. */
    public static function way(AskedRig $asked): ?Question
    {
        $worked = ApertureWorked::through($asked->rig->camera, $asked->rig->chain, $asked->at);
        $truth = match ($worked) {
            ApertureWorked::Full, ApertureWorked::Contacts, ApertureWorked::Lever => 0.0,
            ApertureWorked::Ring => 1.0,
            ApertureWorked::Detach => 2.0,
            ApertureWorked::Stuck => ApertureWorked::takesMakeshift($asked->lens) ? 3.0 : null,
            ApertureWorked::Latch, ApertureWorked::Makeshift => null,
        };
        if ($truth === null || $asked->lens->aperture->control === ApertureControl::None) {
            return null;
        }

        return new Question(
            kind: QuestionKind::WayToStop, name: $asked->name(QuestionKind::WayToStop), pattern: '{lens}{way}, {tubes} behind it, on {camera}. How do you stop it down?',
            numbers: ['lens' => $asked->lens->label(), 'way' => $asked->way(), 'tubes' => $asked->tubes, 'camera' => $asked->camera()], unit: '', truth: $truth, halfWidth: 0.0,
            reason: match ($worked) {
                ApertureWorked::Ring => 'It has a ring of its own, which needs nothing from the camera.',
                ApertureWorked::Detach => 'Its diaphragm is worked over contacts, and here none reach it: it keeps what it had when it was taken off.',
                ApertureWorked::Stuck => 'Its lever is reached by nothing here; held where it is wanted, it stays there.',
                default => 'What works it reaches it: all that lies between passes it on.',
            }, reasonNumbers: [], thumb: null, thumbWords: 'contacts and levers end at the first part that doesn’t pass them on', mistake: $truth === 0.0 ? 1.0 : 0.0,
            options: ['set it on the camera', 'turn its own ring', 'stop down first, then take it off and put it here', 'wedge or tape its lever'], rig: $asked->rig,
        );
    }

    /**
     * Which of three is wrong with this rig.
     *
     * @param  \Closure(int): int  $roll  a number from 0 to less than that
     */
    public static function fault(AskedRig $asked, \Closure $roll): ?Question
    {
        $range = Range::of($asked->rig);
        $all = Findings::all($asked->rig, $asked->reading(), $range, Infinity::of($asked->rig, $range));
        $found = array_map(static fn (Finding $finding): string => $finding->code->value, $all);
        $wrong = array_values(array_filter($all, static fn (Finding $finding): bool => $finding->severity !== Severity::Note && isset(self::FAULTS[$finding->code->value])));
        $absent = array_values(array_diff(array_keys(self::FAULTS), $found));
        if ($wrong === [] || count($absent) < 2) {
            return null;
        }
        $fault = $wrong[0];
        $options = [];
        for ($n = 0; $n < 2; $n++) {
            $options[] = self::FAULTS[array_splice($absent, $roll(count($absent)), 1)[0]];
        }
        $place = $roll(3);
        array_splice($options, $place, 0, [self::FAULTS[$fault->code->value] ?? '']);

        return new Question(
            kind: QuestionKind::SpotFault, name: $asked->name(QuestionKind::SpotFault), pattern: '{lens}{way}, {tubes} behind it, on {camera}. What is wrong with it?',
            numbers: ['lens' => $asked->lens->label(), 'way' => $asked->way(), 'tubes' => $asked->tubes, 'camera' => $asked->camera()], unit: '', truth: (float) $place, halfWidth: 0.0,
            reason: $fault->pattern, reasonNumbers: array_map(static fn (float|int|string $number): float|string => is_int($number) ? (float) $number : $number, $fault->numbers), thumb: null, thumbWords: 'joints, diaphragm, room, corners, weight: in that order', mistake: (float) (($place + 1) % 3), options: $options, rig: $asked->rig,
        );
    }
}
