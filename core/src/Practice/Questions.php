<?php

declare(strict_types=1);

namespace ZincThimble\Core\Practice;

use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Reading\Light;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\Stack;
use ZincThimble\Core\Reading\Uncertainty;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;

/**
 * Questions from a kit, each with its truth as the bench would read it. None is asked whose truth is less sure than what counts as known,
 * and none twice of those that are named as asked.
 */
final class Questions
{
    /** How often another one is tried before a kind is given up. */
    private const TRIES = 40;

    /** Two magnifications nearer to each other aren't worth the question. */
    private const APART = 1.15;

    /** The subject of questions about stacks, mm deep. */
    private const DEEP_MM = 2.0;

    private readonly PracticeRigs $rigs;

    private readonly \Random\Randomizer $random;

    public function __construct(private readonly Kit $kit, Conditions $conditions, int $seed)
    {
        $this->rigs = PracticeRigs::of($kit, $conditions);
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
    }

    /**
     * One question of a kind.
     *
     * @param  list<string>  $asked  names of those that aren't to be asked again
     * @return ?Question null = this kit can't ask it, or nothing else of it
     */
    public function of(QuestionKind $kind, array $asked = []): ?Question
    {
        for ($n = 0; $n < self::TRIES; $n++) {
            $question = $this->made($kind);
            if ($question !== null && ! in_array($question->name, $asked, true) && $this->isSure($question)) {
                return $question;
            }
        }

        return null;
    }

    /**
     * So many of them, their kinds in turn.
     *
     * @param  list<string>  $asked
     * @return list<Question>
     */
    public function some(int $count, array $asked = []): array
    {
        $kinds = $this->random->shuffleArray(QuestionKind::cases());
        $found = [];
        while (count($found) < $count && $kinds !== []) {
            foreach ($kinds as $n => $kind) {
                $question = $this->of($kind, [...$asked, ...array_map(static fn (Question $each): string => $each->name, $found)]);
                if ($question === null) {
                    unset($kinds[$n]);
                } elseif (count($found) < $count) {
                    $found[] = $question;
                }
            }
        }

        return $found;
    }

    private function made(QuestionKind $kind): ?Question
    {
        return match ($kind) {
            QuestionKind::TubeMagnifies => $this->tube($this->pick($this->rigs->tubed)),
            QuestionKind::TubeWanted => $this->wanted($this->pick($this->rigs->tubed)),
            QuestionKind::TubeAdds => $this->adds($this->pick($this->rigs->tubed)),
            QuestionKind::RoomLeft => $this->room($this->pick($this->rigs->tubed), QuestionKind::RoomLeft),
            QuestionKind::FromSensor => $this->fromSensor($this->pick($this->rigs->tubed)),
            QuestionKind::StopsLost => $this->lost($this->pick([...$this->rigs->tubed, ...$this->rigs->turned])),
            QuestionKind::RealAperture => $this->real($this->pick([...$this->rigs->tubed, ...$this->rigs->turned])),
            QuestionKind::TimesLonger => $this->longer($this->pick($this->rigs->tubed)),
            QuestionKind::TurnedMagnifies => $this->turned($this->pick($this->rigs->turned)),
            QuestionKind::TurnedRoom => $this->room($this->pick($this->rigs->turned), QuestionKind::TurnedRoom),
            QuestionKind::GlassMagnifies => $this->glass($this->pick($this->rigs->glazed)),
            QuestionKind::GlassFurthest => $this->furthest($this->pick($this->rigs->glazed)),
            QuestionKind::SliceDeep => $this->slice($this->pick([...$this->rigs->tubed, ...$this->rigs->turned])),
            QuestionKind::FramesNeeded => $this->frames($this->pick([...$this->rigs->tubed, ...$this->rigs->turned])),
            QuestionKind::Joins => $this->joins(),
            QuestionKind::LargerOfTwo => $this->larger($this->pick([...$this->rigs->tubed, ...$this->rigs->turned]), $this->pick([...$this->rigs->tubed, ...$this->rigs->turned])),
            QuestionKind::KeepsInfinity => $this->infinity($this->pick([...$this->rigs->tubed, ...$this->rigs->plain])),
        };
    }

    /** Whether its truth is surer than what counts as known, and stands on its scale. */
    private function isSure(Question $question): bool
    {
        if ($question->isChoice()) {
            return true;
        }
        [$least, $greatest] = $question->scale();
        $isOn = is_finite($question->truth) && $question->truth >= $least && $question->truth <= $greatest;
        $known = $question->unit === 'stops' ? Question::KNOWN_STOPS : (Question::KNOWN - 1.0) * $question->truth;

        return $isOn && $question->halfWidth < $known && ! $question->isKnown($question->mistake);
    }

    private function tube(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes, 'at' => $at] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->magnification === null) {
            return null;
        }
        $f = $rig->lenses[$at]->f0;
        $extension = self::extension($rig, $at);

        return new Question(
            kind: QuestionKind::TubeMagnifies, name: self::name(QuestionKind::TubeMagnifies, $rig), pattern: '{lens} with its ring at infinity, {tubes} behind it. How large does it draw?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'x', truth: $reading->magnification, halfWidth: self::half($rig, 'magnification'),
            reason: 'The lens stands {extension:mm} further out than for infinity, and that over its focal length of {f:focal} is the magnification.', reasonNumbers: ['extension' => $extension, 'f' => $f],
            thumb: self::tubeLength($rig, $at) / $lens->figures->focalLengthMm, thumbWords: 'tube over focal length', mistake: (self::tubeLength($rig, $at) + $lens->figures->focalLengthMm) / $lens->figures->focalLengthMm, rig: $rig,
        );
    }

    private function wanted(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'at' => $at] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->magnification === null || $reading->magnification <= 0.0) {
            return null;
        }
        $length = self::tubeLength($rig, $at);
        $m = $reading->magnification;
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::TubeWanted, name: self::name(QuestionKind::TubeWanted, $rig), pattern: 'How much tube behind {lens}, its ring at infinity, for {m:x}?', numbers: ['lens' => $lens->label(), 'm' => $m],
            unit: 'mm', truth: $length, halfWidth: $length * self::half($rig, 'magnification') / $m, reason: 'So much further out as its focal length of {f:focal} times {m:x}: {length:mm}.', reasonNumbers: ['f' => $rig->lenses[$at]->f0, 'm' => $m, 'length' => $length],
            thumb: $m * $f, thumbWords: 'focal length times magnification', mistake: (1.0 + $m) * $f, rig: $rig,
        );
    }

    private function adds(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'at' => $at] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->magnification === null || count($rig->chain) < 3 || $rig->chain[0]->kind !== Kind::Tube || $rig->chain[1]->kind !== Kind::Tube) {
            return null;
        }
        $one = $rig->without([0]);
        $m = Reading::of($one)->magnification;
        if ($m === null || $m <= 0.0) {
            return null;
        }
        $added = $rig->chain[0]->shortestMm();

        return new Question(
            kind: QuestionKind::TubeAdds, name: self::name(QuestionKind::TubeAdds, $rig), pattern: '{lens} on {other} draws {m:x}. {tube} goes in as well: how large then?',
            numbers: ['lens' => $lens->label(), 'other' => $rig->chain[1]->label(), 'm' => $m, 'tube' => $rig->chain[0]->label()], unit: 'x', truth: $reading->magnification, halfWidth: self::half($rig, 'magnification'),
            reason: 'Another {added:mm} over {f:focal} comes to what it was.', reasonNumbers: ['added' => $added, 'f' => $rig->lenses[$at]->f0],
            thumb: $m + $added / $lens->figures->focalLengthMm, thumbWords: 'what it was, and tube over focal length', mistake: $m * (1.0 + $added / $lens->figures->focalLengthMm) ** 2, rig: $rig,
        );
    }

    private function room(?Rig $rig, QuestionKind $kind): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        $m = $reading?->magnification;
        if ($rig === null || $lens === null || $reading?->workingDistanceMm === null || $m === null || $m <= 0.0 || $reading->workingDistanceMm <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: $kind, name: self::name($kind, $rig), pattern: $lens->reversed ? '{lens} turned round, {tubes} behind it. How far from the subject is its front?' : '{lens} with its ring at infinity, {tubes} behind it. How far from the subject is its front?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'mm', truth: $reading->workingDistanceMm, halfWidth: self::half($rig, 'workingDistanceMm'),
            reason: 'From its front plane it is its focal length times one and one over {m:x}; the rest of the way is glass and metal in front of that plane.', reasonNumbers: ['m' => $m],
            thumb: $f * (1.0 + 1.0 / $m), thumbWords: 'focal length times (1 + 1 / magnification)', mistake: $f * (1.0 + 1.0 / $m) * 2.0, rig: $rig,
        );
    }

    private function fromSensor(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        $m = $reading?->magnification;
        if ($rig === null || $lens === null || $reading?->subjectDistanceMm === null || $m === null || $m <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::FromSensor, name: self::name(QuestionKind::FromSensor, $rig), pattern: '{lens} with its ring at infinity, {tubes} behind it. How far is the subject from the sensor?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes], unit: 'mm', truth: $reading->subjectDistanceMm, halfWidth: self::half($rig, 'subjectDistanceMm'),
            reason: 'Its focal length times (2 + {m:x} + 1 / {m:x}), and what lies between its two planes.', reasonNumbers: ['m' => $m],
            thumb: $f * (2.0 + $m + 1.0 / $m), thumbWords: 'focal length times (2 + m + 1 / m)', mistake: $f * (1.0 + 1.0 / $m), rig: $rig,
        );
    }

    private function lost(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->stopsLost === null || $reading->magnification === null) {
            return null;
        }
        $m = $reading->magnification;

        return new Question(
            kind: QuestionKind::StopsLost, name: self::name(QuestionKind::StopsLost, $rig), pattern: '{lens}{way}, {tubes} behind it, draws {m:x}. How many stops of light does that cost?',
            numbers: ['lens' => $lens->label(), 'way' => $lens->reversed ? ' turned round' : '', 'tubes' => $tubes, 'm' => $m], unit: 'stops', truth: $reading->stopsLost, halfWidth: self::half($rig, 'stopsLost'),
            reason: 'At {m:x} the f-number that counts is {n} times what is marked.', reasonNumbers: ['m' => $m, 'n' => 2.0 ** ($reading->stopsLost / 2.0)],
            thumb: 2.0 * log(1.0 + $m, 2.0), thumbWords: 'two stops for each doubling of (1 + magnification)', mistake: log(1.0 + $m, 2.0), rig: $rig,
        );
    }

    private function real(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->effectiveAperture === null || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $marked = $reading->markedAperture;

        return new Question(
            kind: QuestionKind::RealAperture, name: self::name(QuestionKind::RealAperture, $rig), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. Which f-number is that really?',
            numbers: ['lens' => $lens->label(), 'way' => $lens->reversed ? ' turned round' : '', 'tubes' => $tubes, 'marked' => $marked, 'm' => $reading->magnification],
            unit: 'f', truth: $reading->effectiveAperture, halfWidth: self::half($rig, 'effectiveAperture'), reason: 'What is marked times one and {m:x}, as its pupils share that.', reasonNumbers: ['m' => $reading->magnification],
            thumb: $marked * (1.0 + $reading->magnification), thumbWords: 'N times (1 + magnification)', mistake: $marked, rig: $rig,
        );
    }

    private function longer(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->effectiveAperture === null || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $truth = Light::exposureFactor($reading->effectiveAperture, $reading->markedAperture);

        return new Question(
            kind: QuestionKind::TimesLonger, name: self::name(QuestionKind::TimesLonger, $rig), pattern: '{lens} with {tubes} behind it draws {m:x}. How many times longer than a meter in the hand says?',
            numbers: ['lens' => $lens->label(), 'tubes' => $tubes, 'm' => $reading->magnification], unit: 'times', truth: $truth, halfWidth: 2.0 * $truth * self::half($rig, 'effectiveAperture') / $reading->effectiveAperture,
            reason: 'The real f-number over the marked one, twice: {real:f} over {marked:f}.', reasonNumbers: ['real' => $reading->effectiveAperture, 'marked' => $reading->markedAperture],
            thumb: (1.0 + $reading->magnification) ** 2, thumbWords: '(1 + magnification) squared', mistake: 1.0 + $reading->magnification, rig: $rig,
        );
    }

    private function turned(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->magnification === null) {
            return null;
        }
        $behind = $rig->camera->registerMm + self::tubeLength($rig, count($rig->chain) - 1);
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::TurnedMagnifies, name: self::name(QuestionKind::TurnedMagnifies, $rig), pattern: '{lens} turned round, {tubes} behind it. How large does it draw?', numbers: ['lens' => $lens->label(), 'tubes' => $tubes],
            unit: 'x', truth: $reading->magnification, halfWidth: self::half($rig, 'magnification'), reason: 'Its front rim stands {behind:mm} from the sensor, and its plane further out by what lies behind it; over {f:focal}, less one.', reasonNumbers: ['behind' => $behind, 'f' => $f],
            thumb: $behind / $f, thumbWords: 'register and rings over focal length', mistake: ($behind - $rig->camera->registerMm) / $f, rig: $rig,
        );
    }

    private function glass(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading] = self::told($rig);
        $glass = $rig === null ? null : $rig->chain[count($rig->chain) - 1];
        if ($rig === null || $lens === null || ! $glass instanceof CloseUpLens || $reading?->magnification === null || $glass->powerD <= 0.0) {
            return null;
        }
        $f = $lens->figures->focalLengthMm;

        return new Question(
            kind: QuestionKind::GlassMagnifies, name: self::name(QuestionKind::GlassMagnifies, $rig), pattern: '{lens} with its ring at infinity and {glass} on its front. How large does it draw?', numbers: ['lens' => $lens->label(), 'glass' => $glass->label()],
            unit: 'x', truth: $reading->magnification, halfWidth: self::half($rig, 'magnification'), reason: 'Focal length of the lens, {f:focal}, over that of the glass, {g:focal}.', reasonNumbers: ['f' => $rig->lenses[self::lensAt($rig)]->f0, 'g' => 1000.0 / $glass->powerD],
            thumb: $f * $glass->powerD / 1000.0, thumbWords: 'focal length in metres times dioptres', mistake: $glass->powerD / 10.0, rig: $rig,
        );
    }

    private function furthest(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading] = self::told($rig);
        $glass = $rig === null ? null : $rig->chain[count($rig->chain) - 1];
        if ($rig === null || $lens === null || ! $glass instanceof CloseUpLens || $reading?->workingDistanceMm === null || $glass->powerD <= 0.0) {
            return null;
        }

        return new Question(
            kind: QuestionKind::GlassFurthest, name: self::name(QuestionKind::GlassFurthest, $rig), pattern: '{glass} on {lens}. How far from its front is the furthest that still comes out sharp?', numbers: ['lens' => $lens->label(), 'glass' => $glass->label()],
            unit: 'mm', truth: $reading->workingDistanceMm, halfWidth: self::half($rig, 'workingDistanceMm'), reason: 'With the ring at infinity it is the focal length of the glass, {g:focal}, whatever lens is behind it.', reasonNumbers: ['g' => 1000.0 / $glass->powerD],
            thumb: 1000.0 / $glass->powerD, thumbWords: '1000 over dioptres', mistake: 1000.0 / $glass->powerD / 2.0, rig: $rig,
        );
    }

    private function slice(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        if ($rig === null || $lens === null || $reading?->depthOfFieldMm === null || $reading->markedAperture === null || $reading->magnification === null || $reading->magnification <= 0.0) {
            return null;
        }
        $m = $reading->magnification;
        $marked = $reading->markedAperture;

        return new Question(
            kind: QuestionKind::SliceDeep, name: self::name(QuestionKind::SliceDeep, $rig), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. How deep is the slice that is sharp?',
            numbers: ['lens' => $lens->label(), 'way' => $lens->reversed ? ' turned round' : '', 'tubes' => $tubes, 'marked' => $marked, 'm' => $m], unit: 'mm', truth: $reading->depthOfFieldMm, halfWidth: self::half($rig, 'depthOfFieldMm'),
            reason: 'Twice the blur limit of {c:mm} times the real f-number, {real:f}, over the square of {m:x}.', reasonNumbers: ['c' => $rig->blurLimitMm, 'real' => (float) $reading->effectiveAperture, 'm' => $m],
            thumb: 2.0 * $rig->blurLimitMm * $marked * (1.0 + $m) / ($m * $m), thumbWords: '2 c N (1 + m) / m²', mistake: 2.0 * $rig->blurLimitMm * $marked / ($m * $m) / 2.0, rig: $rig,
        );
    }

    private function frames(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'reading' => $reading, 'tubes' => $tubes] = self::told($rig);
        $slice = $reading?->depthOfFieldMm;
        if ($rig === null || $lens === null || $slice === null || $slice <= 0.0 || $reading->markedAperture === null || $reading->magnification === null) {
            return null;
        }
        $frames = (float) Stack::frames(self::DEEP_MM, $slice, Stack::OVERLAP);

        return new Question(
            kind: QuestionKind::FramesNeeded, name: self::name(QuestionKind::FramesNeeded, $rig), pattern: '{lens}{way} at {marked:f}, {tubes} behind it, draws {m:x}. How many frames for a subject {deep:mm} deep?',
            numbers: ['lens' => $lens->label(), 'way' => $lens->reversed ? ' turned round' : '', 'tubes' => $tubes, 'marked' => $reading->markedAperture, 'm' => $reading->magnification, 'deep' => self::DEEP_MM],
            unit: 'n', truth: $frames, halfWidth: $frames * self::half($rig, 'depthOfFieldMm') / $slice, reason: 'The slice is {slice:mm}, and a quarter of it lies in the next one: a step of {step:mm}.', reasonNumbers: ['slice' => $slice, 'step' => 0.75 * $slice],
            thumb: self::DEEP_MM / $slice, thumbWords: 'depth over slice', mistake: $frames * 2.0, rig: $rig,
        );
    }

    private function joins(): ?Question
    {
        $parts = $this->kit->ofClass(Part::class);
        $first = $this->pick($parts);
        $second = $this->pick($parts);
        $camera = $this->kit->cameras()[0] ?? null;
        if ($first === null || $second === null || $camera === null || $first === $second || $first->label() === $second->label()) {
            return null;
        }
        $fit = Mating::of($camera, $first, $second);
        // What isn't known, and what only tape holds, is no question.
        if ($fit === Fit::Unknown || $fit === Fit::Improvised || $fit === Fit::Different && $this->random->getInt(0, 3) > 0) {
            return null;
        }
        $does = $fit === Fit::Mates;

        return new Question(
            kind: QuestionKind::Joins, name: QuestionKind::Joins->value.' '.$first->label().' '.$second->label(), pattern: '{second} onto the front of {first}: does that go?', numbers: ['first' => $first->label(), 'second' => $second->label()],
            unit: '', truth: $does ? 0.0 : 1.0, halfWidth: 0.0, reason: match ($fit) {
                Fit::Mates => 'Both ends are {front}.',
                Fit::LookAlike => 'As wide, but of another pitch: it begins, binds, and ruins both.',
                Fit::SameSide => 'Both are the same half of it.',
                Fit::ClipSize => 'Its clip doesn’t go round that front.',
                default => 'One end is {front}, the other {rear}.',
            }, reasonNumbers: ['front' => $first->identity->front->main()?->spoken() ?? 'nothing', 'rear' => $second->identity->rear->main()?->spoken() ?? 'nothing'],
            thumb: null, thumbWords: 'the same joint, one half male and one female', mistake: $does ? 1.0 : 0.0, options: ['yes', 'no'],
        );
    }

    private function larger(?Rig $one, ?Rig $other): ?Question
    {
        if ($one === null || $other === null || $one === $other) {
            return null;
        }
        [$a, $b] = [Reading::of($one)->magnification, Reading::of($other)->magnification];
        if ($a === null || $b === null || $a <= 0.0 || $b <= 0.0 || abs(log($a / $b)) < log(self::APART) + self::half($one, 'magnification') / $a + self::half($other, 'magnification') / $b) {
            return null;
        }

        return new Question(
            kind: QuestionKind::LargerOfTwo, name: self::name(QuestionKind::LargerOfTwo, $one).' / '.self::name(QuestionKind::LargerOfTwo, $other), pattern: 'Which of these two draws larger?', numbers: [],
            unit: '', truth: $a > $b ? 0.0 : 1.0, halfWidth: 0.0, reason: 'One draws {a:x}, the other {b:x}.', reasonNumbers: ['a' => $a, 'b' => $b], thumb: null, thumbWords: 'more extension, or a shorter lens, draws larger', mistake: $a > $b ? 1.0 : 0.0,
            options: [self::words($one), self::words($other)], rig: $one,
        );
    }

    private function infinity(?Rig $rig): ?Question
    {
        ['lens' => $lens, 'at' => $at] = self::told($rig);
        if ($rig === null || $lens === null || $lens->figures->registerMm === null) {
            return null;
        }
        $spare = $lens->figures->registerMm - $rig->camera->registerMm - self::tubeLength($rig, $at);
        // So near to it that a shim decides is no question.
        if (abs($spare) < 1.0 && $spare !== 0.0) {
            return null;
        }
        $keeps = $spare >= 0.0;

        return new Question(
            kind: QuestionKind::KeepsInfinity, name: self::name(QuestionKind::KeepsInfinity, $rig), pattern: '{lens} with {tubes} behind it: does a far hill still come out sharp?', numbers: ['lens' => $lens->label(), 'tubes' => self::tubes($rig, $at)],
            unit: '', truth: $keeps ? 0.0 : 1.0, halfWidth: 0.0, reason: 'The lens wants {register:mm} to the sensor, and has {has:mm}.', reasonNumbers: ['register' => $lens->figures->registerMm, 'has' => $rig->camera->registerMm + self::tubeLength($rig, $at)],
            thumb: null, thumbWords: 'no ring may make it longer than its own register', mistake: $keeps ? 1.0 : 0.0, options: ['yes', 'no'], rig: $rig,
        );
    }

    /** @return array{lens: ?Lens, reading: Reading, tubes: string, at: int}|array{lens: null, reading: null, tubes: string, at: int} */
    private static function told(?Rig $rig): array
    {
        if ($rig === null) {
            return ['lens' => null, 'reading' => null, 'tubes' => '', 'at' => 0];
        }
        $at = self::lensAt($rig);
        $lens = $rig->chain[$at];

        return ['lens' => $lens instanceof Lens ? $lens : null, 'reading' => Reading::of($rig), 'tubes' => self::tubes($rig, $at), 'at' => $at];
    }

    private static function lensAt(Rig $rig): int
    {
        foreach ($rig->chain as $i => $part) {
            if ($part instanceof Lens) {
                return $i;
            }
        }

        return 0;
    }

    /** What stands behind the lens, in words. */
    private static function tubes(Rig $rig, int $at): string
    {
        $names = array_map(static fn (Part $part): string => $part->label(), array_slice($rig->chain, 0, $at));

        return $names === [] ? 'nothing' : implode(' and ', $names);
    }

    private static function tubeLength(Rig $rig, int $at): float
    {
        $sum = 0.0;
        for ($i = 0; $i < $at; $i++) {
            $sum += $rig->lengthMm($i);
        }

        return $sum;
    }

    /** How much further out the lens stands than for infinity, mm. */
    private static function extension(Rig $rig, int $at): float
    {
        return $rig->camera->registerMm + self::tubeLength($rig, $at) - $rig->lenses[$at]->register;
    }

    private static function words(Rig $rig): string
    {
        $at = self::lensAt($rig);
        $lens = $rig->chain[$at];

        return $lens->label().($lens instanceof Lens && $lens->reversed ? ' turned round' : '').', '.self::tubes($rig, $at).' behind it';
    }

    private static function name(QuestionKind $kind, Rig $rig): string
    {
        return $kind->value.' '.implode(' + ', array_map(static fn (Part $part): string => $part->label().($part instanceof Lens && $part->reversed ? ' turned' : ''), $rig->chain)).' @ '.($rig->camera->name ?? '');
    }

    private static function half(Rig $rig, string $reading): float
    {
        return Uncertainty::of($rig)->halfWidth($reading) ?? 0.0;
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return ?T
     */
    private function pick(array $from): mixed
    {
        return $from === [] ? null : $from[$this->random->getInt(0, count($from) - 1)];
    }
}
