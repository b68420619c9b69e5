<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Practice;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Phrase;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Practice\ChoiceQuestions;
use ZincThimble\Core\Practice\Question;
use ZincThimble\Core\Practice\QuestionKind;
use ZincThimble\Core\Practice\Questions;
use ZincThimble\Core\Practice\Skill;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Tests\Reading\PlainTrace;
use ZincThimble\Core\Tests\RigMaker;

/** Questions of a kit: true by another reckoning, with a wrong answer that is wrong, and a reason whose numbers are right. */
final class QuestionsTest extends TestCase
{
    private static function kit(): Kit
    {
        return KitFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/herbarium.kit.json'))->kit();
    }

    private static function questions(int $seed): Questions
    {
        return new Questions(self::kit(), Conditions::from(new Values([])), $seed);
    }

    public function test_the_demonstrations_kit_asks_at_least_fourteen_kinds_over_all_seven_skills(): void
    {
        $kinds = $skills = [];
        foreach (self::questions(3)->some(80) as $question) {
            $kinds[$question->kind->value] = true;
            $skills[$question->kind->skill()->value] = true;
        }
        $this->assertSame([], array_diff(array_map(static fn (QuestionKind $kind): string => $kind->value, QuestionKind::cases()), array_keys($kinds)));
        $this->assertGreaterThanOrEqual(21, count($kinds));
        $this->assertCount(count(Skill::cases()), $skills);
    }

    public function test_two_thousand_questions_are_true_and_their_wrong_answers_wrong(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $count = 0;
        $kinds = [];
        for ($round = 0; $count < 2000; $round++) {
            $questions = self::questions((int) $make->number(1, 1e9));
            foreach ($questions->some(60) as $question) {
                $count++;
                $kinds[$question->kind->value] = ($kinds[$question->kind->value] ?? 0) + 1;
                $what = $question->name;
                $this->assertTrue($question->isKnown($question->truth), $what);
                $this->assertFalse($question->isKnown($question->mistake), $what);
                $this->assertStringNotContainsString('{', Phrase::say($question->pattern, $question->numbers), $what);
                $this->assertStringNotContainsString('{', Phrase::say($question->reason, $question->reasonNumbers), $what);
                if ($question->isChoice()) {
                    $this->assertGreaterThanOrEqual(2, count($question->options), $what);
                    $this->assertSame($question->options, array_values(array_unique($question->options)), $what);
                    $this->assertArrayHasKey((int) $question->truth, $question->options, $what);
                    $this->assertArrayHasKey((int) $question->mistake, $question->options, $what);
                    $this->assertTrue($this->isTrueWord($question), $what);

                    continue;
                }
                [$least, $greatest] = $question->kind->scale();
                $this->assertGreaterThanOrEqual($least, $question->truth, $what);
                $this->assertLessThanOrEqual($greatest, $question->truth, $what);
                $this->assertLessThan($question->unit === 'stops' ? Question::KNOWN_STOPS : 0.1 * $question->truth, $question->halfWidth, $what);
                [$low, $high] = $question->band();
                $reckoned = $this->byAnotherReckoning($question);
                $this->assertTrue($low <= $reckoned && $reckoned <= $high, $what);
                $this->assertTrue($question->isKnown($reckoned), $what);
                $this->assertTrue($question->isKnown($low) && $question->isKnown($high), $what);
            }
        }
        fwrite(STDERR, sprintf("%d questions of %d kinds\n", $count, count($kinds)));
    }

    /** The truth, traced by itself from the rig as a file. */
    private function byAnotherReckoning(Question $question): float
    {
        $this->assertNotNull($question->rig);
        $document = json_decode(json_encode(RigFile::document($question->rig), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $document['chain'] = array_map(static fn (array $part): array => $part + ['reversed' => false], $document['chain']);
        $reads = (new PlainTrace($document))->reads;
        // In close work the slice is twice the blur limit times the real number over the square of the magnification.
        $slice = static fn (): float => 2.0 * $question->rig?->blurLimitMm * (float) $reads['effectiveAperture'] / (float) $reads['magnification'] ** 2;

        return match ($question->kind) {
            QuestionKind::TubeMagnifies, QuestionKind::TubeAdds, QuestionKind::TurnedMagnifies, QuestionKind::GlassMagnifies => (float) $reads['magnification'],
            QuestionKind::TubeWanted => array_sum(array_map(static fn (array $part): float => $part['kind'] === 'lens' ? 0.0 : (float) ($part['lengthMm'] ?? 0.0), $document['chain'])),
            QuestionKind::RoomLeft, QuestionKind::TurnedRoom, QuestionKind::GlassFurthest, QuestionKind::ReadDrawing => (float) $reads['workingDistanceMm'],
            QuestionKind::FromSensor => (float) $reads['subjectDistanceMm'],
            QuestionKind::StopsLost => (float) $reads['stopsLost'],
            QuestionKind::RealAperture => (float) $reads['effectiveAperture'],
            QuestionKind::TimesLonger => 2.0 ** (float) $reads['stopsLost'],
            QuestionKind::SliceDeep => $slice(),
            QuestionKind::FramesNeeded => ceil(2.0 / (0.75 * $slice())) + 1.0,
            default => NAN,
        };
    }

    /** Whether the word that is taken for true is the one, and no other is. */
    private function isTrueWord(Question $question): bool
    {
        $truth = (int) $question->truth;
        if ($question->kind === QuestionKind::Joins) {
            return $truth !== 0 || isset($question->reasonNumbers['least']) || $question->reasonNumbers['front'] === $question->reasonNumbers['rear'];
        }
        $this->assertNotNull($question->rig);
        $document = json_decode(json_encode(RigFile::document($question->rig), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $document['chain'] = array_map(static fn (array $part): array => $part + ['reversed' => false], $document['chain']);
        $at = (int) array_search('lens', array_column($document['chain'], 'kind'), true);
        $lens = $document['chain'][$at];
        $behind = array_slice($document['chain'], 0, $at);
        $of = $question->reasonNumbers;

        return match ($question->kind) {
            QuestionKind::LargerOfTwo => abs((float) (new PlainTrace($document))->reads['magnification'] / (float) $of['a'] - 1.0) < 0.005 && ($truth === 0) === ($of['a'] > $of['b']),
            QuestionKind::KeepsInfinity => ($truth === 0) === ($document['camera']['registerMm'] + array_sum(array_column($behind, 'lengthMm')) <= $lens['registerMm'] + 1e-9),
            QuestionKind::WhichStop => $truth === $this->sharpestOf($question, $document, $at),
            QuestionKind::WayToStop => $truth === $this->wayToStop($document, $behind, $lens),
            QuestionKind::SpotFault => $this->isOnlyFault($question),
            default => false,
        };
    }

    /** @param  array<string, mixed>  $document */
    private function sharpestOf(Question $question, array $document, int $at): int
    {
        $blurs = [];
        foreach ($question->options as $stop) {
            $document['chain'][$at]['set']['aperture'] = (float) str_replace('f/', '', $stop);
            $reads = (new PlainTrace($document))->reads;
            [$m, $n] = [(float) $reads['magnification'], (float) $reads['effectiveAperture']];
            $blurs[] = hypot(hypot(0.5 * $m * $m / $n, 2.44 * 550e-6 * $n), (float) $document['camera']['sensor']['widthMm'] / ($document['camera']['sensor']['columns'] ?? INF));
        }

        return (int) array_search(min($blurs), $blurs, true);
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<array<string, mixed>>  $behind
     * @param  array<string, mixed>  $lens
     */
    private function wayToStop(array $document, array $behind, array $lens): int
    {
        $reaches = static fn (string $what): bool => array_filter([$document['camera'], ...$behind], static fn (array $part): bool => ! in_array($what, $part['passes'] ?? [], true)) === [] && ! $lens['reversed'];

        return match ($lens['aperture']['control'] ?? 'ring') {
            'ring' => 1,
            'electronic' => $reaches('contacts') ? 0 : 2,
            default => $reaches('lever') ? 0 : (($lens['aperture']['rest'] ?? '') === 'set' ? 1 : 3),
        };
    }

    private function isOnlyFault(Question $question): bool
    {
        $this->assertNotNull($question->rig);
        $range = Range::of($question->rig);
        $found = array_map(static fn (Finding $finding): string => ChoiceQuestions::FAULTS[$finding->code->value] ?? '', Findings::all($question->rig, Reading::of($question->rig), $range, Infinity::of($question->rig, $range)));

        return array_keys(array_intersect($question->options, $found)) === [(int) $question->truth];
    }

    public function test_what_is_asked_again_is_the_same_question(): void
    {
        $questions = self::questions(11);
        $kinds = [];
        foreach ($questions->some(120) as $question) {
            $again = $questions->again($question->kind, $question->name);
            $this->assertNotNull($again, $question->name);
            $this->assertSame([$question->name, $question->kind], [$again->name, $again->kind]);
            $kinds[$question->kind->value] = true;
            if ($question->kind === QuestionKind::SpotFault) {
                $this->assertSame($question->options[(int) $question->truth], $again->options[(int) $again->truth]);
            } else {
                $this->assertSame([$question->truth, $question->options], [$again->truth, $again->options], $question->name);
            }
            $this->assertNull($questions->again($question->kind, $question->name.' and more'));
        }
        $this->assertCount(count(QuestionKind::cases()), $kinds);
    }

    public function test_the_harder_they_are_wanted_the_further_off_is_the_rule_of_thumb(): void
    {
        $mean = static function (float $aim): float {
            $sum = $count = 0;
            for ($seed = 1; $seed <= 30; $seed++) {
                $question = self::questions($seed)->of(QuestionKind::RoomLeft, [], $aim);
                if ($question !== null) {
                    $sum += $question->difficulty();
                    $count++;
                }
            }

            return $sum / max(1, $count);
        };
        $this->assertGreaterThan(1.5 * $mean(0.0), $mean(2.0));
    }

    public function test_reasons_reckon_to_the_truth(): void
    {
        $checked = [];
        for ($seed = 1; $seed <= 12; $seed++) {
            foreach (self::questions($seed)->some(60) as $question) {
                $of = $question->reasonNumbers;
                $reckoned = match ($question->kind) {
                    // With the ring at infinity it is exactly that.
                    QuestionKind::TubeMagnifies => (float) $of['extension'] / (float) $of['f'],
                    QuestionKind::TubeAdds => (float) $question->numbers['m'] + (float) $of['added'] / (float) $of['f'],
                    QuestionKind::TubeWanted => (float) $of['f'] * (float) $of['m'],
                    QuestionKind::RoomLeft, QuestionKind::TurnedRoom => null,
                    QuestionKind::ReadDrawing => (float) $of['times'] * (float) $question->numbers['bar'],
                    QuestionKind::SliceDeep => 2.0 * (float) $of['c'] * (float) $of['real'] / (float) $of['m'] ** 2,
                    QuestionKind::GlassFurthest => (float) $of['g'],
                    QuestionKind::StopsLost => 2.0 * log((float) $of['n'], 2.0),
                    QuestionKind::TimesLonger => ((float) $of['real'] / (float) $of['marked']) ** 2,
                    QuestionKind::FramesNeeded => ceil(2.0 / (float) $of['step'] - 1e-9) + 1.0,
                    QuestionKind::GlassMagnifies => (float) $of['f'] / (float) $of['g'],
                    default => null,
                };
                if ($reckoned !== null) {
                    $checked[$question->kind->value] = true;
                    $this->assertTrue($question->isKnown($reckoned), $question->name.': '.$reckoned.' for '.$question->truth);
                }
                if ($question->kind === QuestionKind::KeepsInfinity) {
                    $this->assertSame($question->truth === 0.0, (float) $of['register'] >= (float) $of['has'] - 1e-9);
                }
                if ($question->kind === QuestionKind::LargerOfTwo) {
                    $this->assertSame($question->truth === 0.0, $of['a'] > $of['b']);
                }
            }
        }
        $this->assertSame([], array_diff(['tube-magnifies', 'tube-adds', 'tube-wanted', 'read-drawing', 'slice-deep', 'glass-furthest', 'stops-lost', 'times-longer', 'frames-needed', 'glass-magnifies'], array_keys($checked)));
    }

    public function test_of_words_none_is_right_by_its_place_alone(): void
    {
        $places = [];
        foreach (range(1, 12) as $seed) {
            foreach (self::questions($seed)->some(100) as $question) {
                if ($question->isChoice()) {
                    $places[$question->kind->value][(string) $question->truth] = true;
                }
                if ($question->kind === QuestionKind::WhichStop) {
                    $stops = array_map(static fn (string $stop): float => (float) str_replace('f/', '', $stop), $question->options);
                    $this->assertTrue($stops[0] < $stops[1] && $stops[1] < $stops[2], implode(', ', $question->options));
                }
                if ($question->kind === QuestionKind::LargerOfTwo) {
                    // Bodies of different registers draw the same lens and tube differently.
                    preg_match_all('#@ (.+?)(?: /|$)#', $question->name, $bodies);
                    $this->assertCount(1, array_unique($bodies[1]), $question->name);
                }
                if ($question->kind === QuestionKind::FramesNeeded) {
                    $this->assertGreaterThanOrEqual(4.0, $question->truth, 'one that a single frame nearly does is no stack');
                }
            }
        }
        foreach ($places as $kind => $of) {
            $this->assertGreaterThanOrEqual(2, count($of), $kind);
        }
        $this->assertGreaterThanOrEqual(3, count($places['which-stop']));
    }

    public function test_none_is_asked_again_that_was_asked(): void
    {
        $first = array_map(static fn (Question $question): string => $question->name, self::questions(5)->some(30));
        $this->assertCount(30, array_unique($first));
        $second = array_map(static fn (Question $question): string => $question->name, self::questions(5)->some(30, $first));
        $this->assertSame([], array_intersect($first, $second));
    }

    public function test_a_kit_without_a_camera_asks_nothing(): void
    {
        $this->assertSame([], (new Questions(new Kit('Empty', []), Conditions::from(new Values([])), 1))->some(5));
    }

    public function test_how_near_is_near_enough(): void
    {
        $question = self::questions(3)->of(QuestionKind::RoomLeft);
        $this->assertNotNull($question);
        $this->assertTrue($question->isKnown($question->truth * 1.0999));
        $this->assertFalse($question->isKnown($question->truth * 1.1001));
        $this->assertEqualsWithDelta(log(2.0), $question->errorOf($question->truth * 2.0), 1e-12);
        $this->assertEqualsWithDelta(log(2.0), $question->errorOf($question->truth / 2.0), 1e-12);
        // Of light, errors are in stops whatever was asked.
        $real = self::questions(3)->of(QuestionKind::RealAperture);
        $longer = self::questions(3)->of(QuestionKind::TimesLonger);
        $this->assertTrue($real !== null && $longer !== null);
        $this->assertEqualsWithDelta([1.0, 2.0, 1.0, 1.0], [$real->errorOf($real->truth * sqrt(2.0)), $real->errorOf($real->truth / 2.0), $longer->errorOf($longer->truth * 2.0), $longer->errorOf($longer->truth / 2.0)], 1e-9);
        $stops = self::questions(3)->of(QuestionKind::StopsLost);
        $this->assertNotNull($stops);
        $this->assertTrue($stops->isKnown($stops->truth + 0.333));
        $this->assertFalse($stops->isKnown($stops->truth + 0.334));
        $this->assertEqualsWithDelta(0.5, $stops->errorOf($stops->truth - 0.5), 1e-12);
    }
}
