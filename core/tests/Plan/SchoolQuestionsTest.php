<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Kit;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Gear\VariableSpacer;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Plan\School;
use ZincThimble\Core\Plan\SchoolQuestion;
use ZincThimble\Core\Plan\SchoolQuestions;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\SolveTarget;
use ZincThimble\Core\Report\Bringing;
use ZincThimble\Core\Report\Comparison;
use ZincThimble\Core\Rig\Conditions;
use ZincThimble\Core\Rig\Rig;

/** Each school's question, with rigs that can be put together and that differ in what is asked and in nothing else. */
final class SchoolQuestionsTest extends TestCase
{
    public function test_the_demonstration_kit_asks_all_four_and_every_rig_holds(): void
    {
        $questions = $this->asked(self::kit());
        $this->assertSame(School::cases(), array_map(static fn (SchoolQuestion $each): School => $each->school, array_values($questions)));
        foreach ($questions as $question) {
            foreach ($question->rigs as $rig) {
                foreach (array_keys($rig->chain) as $i) {
                    $this->assertSame(Fit::Mates, $rig->fitAt($i), $question->school->value.' '.$rig->name);
                }
            }
            $compared = Comparison::of($question->rigs, Bringing::asSet()->to($question->to, $question->value))->rigs;
            foreach ($compared as $n => $each) {
                // All of them reach it, but for the one that is cropped.
                $this->assertSame($question->school !== School::MagnifyOrCrop || $n === 0, $each->met, $question->school->value.' '.$each->letter);
                $this->assertGreaterThan(0.0, $each->report->reading->workingDistanceMm);
            }
            $this->assertSame(2, count(array_unique(array_map(static fn (Rig $rig): ?string => $rig->name, $question->rigs))));
        }
    }

    public function test_tubes_against_glass_is_the_pair_that_reaches_most(): void
    {
        $question = $this->asked(self::kit())['tubes-or-glass'];
        [$tubes, $glass] = $question->rigs;
        $this->assertSame(['With tubes', 'With the close-up lens'], [$tubes->name, $glass->name]);
        $this->assertNotSame([], self::of($tubes, Kind::Tube));
        $this->assertSame([], self::of($tubes, Kind::CloseUpLens));
        $this->assertSame([], self::of($glass, Kind::Tube));
        $this->assertCount(1, self::of($glass, Kind::CloseUpLens));
        $this->assertSame(SolveTarget::Magnification, $question->to);
        $both = min((float) Range::of($tubes)->magnification[1], (float) Range::of($glass)->magnification[1]);
        $this->assertLessThanOrEqual($both, $question->value);
        $this->assertGreaterThan(0.9 * $both, $question->value);
        // With the weakest close-up lens alone it is that one, and less.
        $weak = $this->asked(self::kit()->only(static fn (Camera|Item $thing): bool => ! $thing instanceof CloseUpLens || $thing->powerD < 3.0))['tubes-or-glass'] ?? null;
        $this->assertTrue($weak === null || $weak->value < $question->value);
    }

    public function test_turned_round_has_the_same_lens_on_the_same_bellows(): void
    {
        [$usual, $turned] = $this->asked(self::kit())['usual-or-turned']->rigs;
        foreach ([$usual, $turned] as $n => $rig) {
            $lens = $rig->chain[count($rig->chain) - 1];
            $this->assertInstanceOf(Lens::class, $lens);
            $this->assertSame($n === 1, $lens->reversed);
            $this->assertCount(1, array_filter($rig->chain, static fn (Part $part): bool => $part instanceof VariableSpacer));
        }
        $this->assertSame($usual->chain[count($usual->chain) - 1]->label(), $turned->chain[count($turned->chain) - 1]->label());
    }

    public function test_magnify_against_crop_asks_for_a_field_that_only_one_reaches(): void
    {
        $question = $this->asked(self::kit())['magnify-or-crop'];
        [$magnified, $cropped] = $question->rigs;
        $this->assertSame(SolveTarget::FieldWidth, $question->to);
        $least = $magnified->frame->widthMm / (float) Range::of($magnified)->magnification[1];
        $this->assertGreaterThanOrEqual($least - 1e-9, $question->value);
        $this->assertLessThan(1.1 * $least + 1e-9, $question->value);
        $this->assertGreaterThan($question->value, $cropped->frame->widthMm / (float) Range::of($cropped)->magnification[1]);
        $this->assertNotSame([], self::of($magnified, Kind::Tube));
        $this->assertSame([], self::of($cropped, Kind::Tube));
    }

    public function test_stops_are_three_apart_on_one_rig(): void
    {
        [$wide, $small] = $this->asked(self::kit())['stop-or-stop']->rigs;
        $this->assertEquals($wide->chain, $small->chain);
        $at = (int) $wide->workingLens();
        $stops = $small->stopsAt($at);
        $this->assertSame(end($stops), $small->markedAperture($at));
        $this->assertContains($wide->markedAperture($at), $stops);
        $this->assertEqualsWithDelta(3.0, 2.0 * log((float) $small->markedAperture($at) / (float) $wide->markedAperture($at), 2.0), 0.2);
        $this->assertSame(['At f/8', 'At f/22'], [$wide->name, $small->name]);
    }

    public function test_what_a_kit_cannot_ask_is_left_out(): void
    {
        $this->assertSame([], $this->asked(new Kit(null, [])));
        $none = self::kit()->only(static fn (Camera|Item $thing): bool => ! $thing instanceof CloseUpLens && ! $thing instanceof VariableSpacer);
        $this->assertSame(['magnify-or-crop', 'stop-or-stop'], array_keys($this->asked($none)));
        $bare = self::kit()->only(static fn (Camera|Item $thing): bool => $thing instanceof Camera || $thing instanceof Lens);
        $this->assertSame([], $this->asked($bare));
    }

    public function test_what_only_one_side_reaches_is_no_question(): void
    {
        // On bellows that hardly move, the lens turned round begins where the usual way has long ended.
        $kit = KitFile::read(json_decode((string) json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], 'parts' => [
            ['kind' => 'bellows', 'name' => 'Stiff', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 36, 'maxMm' => 38],
            ['kind' => 'reversing-ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4],
            ['kind' => 'lens', 'name' => 'Wide', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 28, 'registerMm' => 44.5, 'frontRimMm' => 40, 'focusing' => 'fixed', 'design' => 'retrofocus'],
        ]])))->kit();
        $this->assertArrayNotHasKey('usual-or-turned', $this->asked($kit));
    }

    public function test_what_magnifies_nothing_asks_nothing(): void
    {
        // A lens for infinity alone, on a helicoid that goes nowhere, either way round.
        $kit = KitFile::read(json_decode((string) json_encode(['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]], 'parts' => [
            ['kind' => 'helicoid', 'name' => 'Stuck', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 0, 'maxMm' => 0],
            ['kind' => 'reversing-ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 0],
            ['kind' => 'lens', 'name' => 'Far', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 30, 'focusing' => 'fixed', 'design' => 'symmetrical'],
        ]])))->kit();
        foreach ($this->asked($kit) as $question) {
            $this->assertGreaterThanOrEqual(0.1, $question->value);
        }
        $this->addToAssertionCount(1);
    }

    /** @return array<string, SchoolQuestion> */
    private function asked(Kit $kit): array
    {
        $asked = [];
        foreach (SchoolQuestions::of($kit, Conditions::from(new Values([]))) as $question) {
            $asked[$question->school->value] = $question;
        }

        return $asked;
    }

    /** @return list<Part> */
    private static function of(Rig $rig, Kind $kind): array
    {
        return array_values(array_filter($rig->chain, static fn (Part $part): bool => $part->kind === $kind));
    }

    private static function kit(): Kit
    {
        return KitFile::parse((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/herbarium.kit.json'))->kit();
    }
}
