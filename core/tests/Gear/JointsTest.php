<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Gear;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\Coupling;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Joint;
use ZincThimble\Core\Gear\JointEnd;
use ZincThimble\Core\Gear\JointType;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Outline;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Side;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Joint\Fit;
use ZincThimble\Core\Joint\Mating;
use ZincThimble\Core\Tests\RigMaker;

/** Joints as files spell them, what mates with what, and what each kind of part is good for. */
final class JointsTest extends TestCase
{
    /** @return iterable<string, array{string, JointType, float|null, float|null}> text, type, diameter mm, pitch mm */
    public static function spelled(): iterable
    {
        yield 'a metric thread' => ['thread:52x0.75', JointType::Thread, 52.0, 0.75];
        yield 'a pitch of 1' => ['thread:42x1', JointType::Thread, 42.0, 1.0];
        yield 'turns to the inch' => ['thread:39x26tpi', JointType::Thread, 39.0, 25.4 / 26];
        yield 'an inch thread' => ['thread:20.32x36tpi', JointType::Thread, 20.32, 25.4 / 36];
        yield 'four digits and four' => ['thread:1000.1234x0.0001', JointType::Thread, 1000.1234, 0.0001];
        yield 'blanks around it' => ["  thread:52x0.75\t", JointType::Thread, 52.0, 0.75];
        yield 'a clip' => ['clip', JointType::Clip, null, null];
        yield 'tape' => ['improvised', JointType::Improvised, null, null];
        yield 'built in' => ['fixed', JointType::Fixed, null, null];
        yield 'a mount' => ['larch', JointType::Bayonet, null, null];
        yield 'a mount with a number' => ['mirror 44', JointType::Bayonet, null, null];
        yield 'in any script' => ['лиственница', JointType::Bayonet, null, null];
        yield 'of one letter' => ['x', JointType::Bayonet, null, null];
        yield 'of 60' => [str_repeat('x', 60), JointType::Bayonet, null, null];
        yield 'another case is another mount' => ['Clip', JointType::Bayonet, null, null];
    }

    #[DataProvider('spelled')]
    public function test_a_joint_is_read(string $text, JointType $type, ?float $diameter, ?float $pitch): void
    {
        $joint = Joint::parse($text);
        $this->assertSame(trim($text), $joint->name);
        $this->assertSame($type, $joint->type);
        $this->assertSame($diameter, $joint->diameterMm);
        $this->assertSame($pitch, $joint->pitchMm);
        $this->assertSame($type === JointType::Thread, $joint->isThread());
        $this->assertNotSame('', $joint->spoken());
    }

    /** @return iterable<string, array{string}> */
    public static function misspelled(): iterable
    {
        yield 'nothing' => [''];
        yield 'blanks' => ['   '];
        yield 'of 61' => [str_repeat('x', 61)];
        yield 'a thread without a pitch' => ['thread:52'];
        yield 'a thread of no width' => ['thread:0x0.75'];
        yield 'a thread of no pitch' => ['thread:52x0'];
        yield 'a thread in words' => ['thread:fifty'];
        yield 'a thread below nothing' => ['thread:-52x0.75'];
        yield 'a comma for a point' => ['thread:40,5x0.5'];
        yield 'five digits' => ['thread:10000x1'];
        yield 'five behind the point' => ['thread:52x0.75001'];
        yield 'in exponents' => ['thread:5e1x1'];
        yield 'another unit' => ['thread:39x26tpm'];
        yield 'a sign to begin with' => ['-larch'];
        yield 'a slash in it' => ['larch/tern'];
        yield 'two lines' => ["larch\ntern"];
    }

    #[DataProvider('misspelled')]
    public function test_what_is_no_joint_is_refused(string $text): void
    {
        $this->expectException(InvalidFigure::class);
        Joint::parse($text);
    }

    /** @return iterable<string, array{Fit, Side, list<string>, Side, list<string>}> fit, the front behind, the rear ahead */
    public static function ends(): iterable
    {
        [$male, $female] = [Side::Male, Side::Female];
        yield 'one standard, two halves' => [Fit::Mates, $female, ['larch'], $male, ['larch']];
        yield 'the other way round' => [Fit::Mates, $male, ['larch'], $female, ['larch']];
        yield 'two male halves' => [Fit::SameSide, $male, ['larch'], $male, ['larch']];
        yield 'two female halves' => [Fit::SameSide, $female, ['thread:52x0.75'], $female, ['thread:52x0.75']];
        yield 'two standards' => [Fit::Different, $female, ['larch'], $male, ['tern']];
        yield 'a thread in another spelling' => [Fit::Mates, $female, ['thread:42x1'], $male, ['thread:42.0x1.00']];
        yield 'another pitch' => [Fit::LookAlike, $female, ['thread:42x1'], $male, ['thread:42x0.75']];
        yield 'another width' => [Fit::Different, $female, ['thread:42x1'], $male, ['thread:43x1']];
        yield 'the second of two' => [Fit::Mates, $female, ['tern', 'larch'], $male, ['wren', 'larch']];
        yield 'one that mates among one that only looks so' => [Fit::Mates, $female, ['thread:42x1', 'larch'], $male, ['thread:42x0.75', 'larch']];
        yield 'tape' => [Fit::Improvised, $female, ['improvised'], $male, ['larch']];
        yield 'tape on the other' => [Fit::Improvised, $female, ['larch'], $female, ['improvised']];
        yield 'tape and what mates' => [Fit::Mates, $female, ['improvised', 'larch'], $male, ['larch']];
        yield 'not known' => [Fit::Unknown, $female, [], $male, ['larch']];
        yield 'neither known' => [Fit::Unknown, $female, [], $male, []];
        yield 'built in' => [Fit::Mates, $female, ['fixed'], $female, ['fixed']];
        yield 'a mount and a thread' => [Fit::Different, $female, ['larch'], $male, ['thread:42x1']];
    }

    /**
     * @param  list<string>  $front
     * @param  list<string>  $rear
     */
    #[DataProvider('ends')]
    public function test_two_ends_that_face_each_other(Fit $fit, Side $frontSide, array $front, Side $rearSide, array $rear): void
    {
        $ends = [new JointEnd($frontSide, array_map(Joint::parse(...), $front)), new JointEnd($rearSide, array_map(Joint::parse(...), $rear))];
        $this->assertSame($fit, Mating::ofEnds($ends[0], $ends[1]));
        $this->assertSame($fit, Mating::ofEnds($ends[1], $ends[0]), 'whichever is looked at first');
        $this->assertSame(in_array($fit, [Fit::Mates, Fit::Improvised, Fit::Unknown], true), $fit->holds());
    }

    public function test_tape_holds_what_doesnt_fit_and_changes_nothing_of_what_does(): void
    {
        $fit = static fn (string $rear, bool $taped): Fit => RigMaker::made(['format' => 'zinc-thimble/rig', 'version' => 1,
            'camera' => ['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]],
            'chain' => [
                ['kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38],
                ['kind' => 'close-up-lens', 'name' => 'Glass', 'rear' => $rear, 'powerD' => 4] + ($taped ? ['taped' => true] : []),
            ]])->fitAt(1);
        $this->assertSame([Fit::Different, Fit::Improvised], [$fit('thread:58x0.75', false), $fit('thread:58x0.75', true)]);
        $this->assertSame([Fit::Mates, Fit::Mates], [$fit('thread:52x0.75', false), $fit('thread:52x0.75', true)]);
    }

    public function test_a_clip_goes_on_whatever_is_as_wide(): void
    {
        $camera = Camera::from(new Values(['joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24]]));
        $clip = static fn (array $fields): Part => Parts::make(Kind::CloseUpLens, new Values(['powerD' => 10, 'rear' => 'clip'] + $fields));
        $lens = static fn (float $outer): Part => Parts::make(Kind::Lens, new Values(['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'frontOuterMm' => $outer]));
        foreach ([[49.9, Fit::ClipSize], [50.0, Fit::Mates], [78.0, Fit::Mates], [78.1, Fit::ClipSize]] as [$outer, $fit]) {
            $this->assertSame($fit, Mating::of($camera, $lens($outer), $clip(['clipMinMm' => 50, 'clipMaxMm' => 78])), (string) $outer);
        }
        $this->assertSame(Fit::Mates, Mating::of($camera, $lens(300.0), $clip(['clipMinMm' => 50])), 'as large as it likes');
        $threaded = static fn (int $thread, float $outer): Part => Parts::make(Kind::Lens, new Values(['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'frontOuterMm' => $outer, 'front' => "thread:{$thread}x0.75"]));
        foreach ([[49, Fit::ClipSize], [50, Fit::Mates], [78, Fit::Mates], [79, Fit::ClipSize]] as [$thread, $fit]) {
            $this->assertSame($fit, Mating::of($camera, $threaded($thread, 64.0), $clip(['clipMinMm' => 50, 'clipMaxMm' => 78])), 'its thread counts, not its barrel: '.$thread);
        }
        $this->assertSame(Fit::Mates, Mating::of($camera, $threaded(72, 92.0), $clip(['clipMinMm' => 52, 'clipMaxMm' => 77])));
        $this->assertSame(Fit::Different, Mating::of($camera, null, $clip([])), 'on no camera');
    }

    /** @return iterable<string, array{Kind, Side, Side}> kind, rear, front */
    public static function sides(): iterable
    {
        foreach (Kind::cases() as $kind) {
            if ($kind->inChain()) {
                $turning = $kind === Kind::ReversingRing || $kind === Kind::CouplingRing;
                yield $kind->value => [$kind, Side::Male, $turning ? Side::Male : Side::Female];
            }
        }
    }

    #[DataProvider('sides')]
    public function test_a_rear_is_male_and_a_front_female_but_of_rings_that_face_a_filter_thread(Kind $kind, Side $rear, Side $front): void
    {
        $fields = ['rear' => 'larch', 'front' => 'larch', 'lengthMm' => 5, 'minMm' => 5, 'maxMm' => 9, 'focalLengthMm' => 50, 'registerMm' => 44, 'frontRimMm' => 30, 'powerD' => 4, 'nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 10, 'factor' => 1.4, 'gapMm' => 5, 'glassMm' => 5, 'index' => 1.5];
        $part = Parts::make($kind, new Values($fields))->identity;
        $this->assertSame([$rear, $front], [$part->rear->side, $part->front->side]);
        $said = Parts::make($kind, new Values(['rearSide' => 'female', 'frontSide' => 'male'] + $fields))->identity;
        $this->assertSame([Side::Female, Side::Male], [$said->rear->side, $said->front->side]);
    }

    /** @return iterable<string, array{Kind, string, bool, bool, bool, bool}> kind, in words, in a chain, a fixed spacer, a ring, bends light */
    public static function kinds(): iterable
    {
        yield 'camera' => [Kind::Camera, 'camera', false, false, false, false];
        yield 'adapter' => [Kind::Adapter, 'adapter', true, true, true, false];
        yield 'tube' => [Kind::Tube, 'tube', true, true, true, false];
        yield 'reversing ring' => [Kind::ReversingRing, 'reversing ring', true, true, true, false];
        yield 'coupling ring' => [Kind::CouplingRing, 'coupling ring', true, true, true, false];
        yield 'step ring' => [Kind::StepRing, 'step ring', true, true, true, false];
        yield 'filter' => [Kind::Filter, 'filter', true, true, false, false];
        yield 'hood' => [Kind::Hood, 'hood', true, true, false, false];
        yield 'helicoid' => [Kind::Helicoid, 'helicoid', true, false, true, false];
        yield 'bellows' => [Kind::Bellows, 'bellows', true, false, true, false];
        yield 'lens' => [Kind::Lens, 'lens', true, false, false, true];
        yield 'close-up lens' => [Kind::CloseUpLens, 'close-up lens', true, false, false, true];
        yield 'objective' => [Kind::Objective, 'objective', true, false, false, true];
        yield 'teleconverter' => [Kind::Teleconverter, 'teleconverter', true, false, false, false];
        yield 'afocal converter' => [Kind::Afocal, 'afocal converter', true, false, false, true];
        yield 'port' => [Kind::Port, 'port', true, false, false, false];
        yield 'rail' => [Kind::Rail, 'rail', false, false, false, false];
        yield 'tripod' => [Kind::Tripod, 'tripod', false, false, false, false];
        yield 'stand' => [Kind::Stand, 'stand', false, false, false, false];
        yield 'flash' => [Kind::Flash, 'flash', false, false, false, false];
        yield 'lamp' => [Kind::Lamp, 'lamp', false, false, false, false];
        yield 'reference' => [Kind::Reference, 'reference', false, false, false, false];
    }

    #[DataProvider('kinds')]
    public function test_what_a_kind_is_good_for(Kind $kind, string $spoken, bool $inChain, bool $fixed, bool $ring, bool $optical): void
    {
        $this->assertSame($spoken, $kind->spoken());
        $this->assertSame([$inChain, $fixed, $ring, $optical], [$kind->inChain(), $kind->isFixedSpacer(), $kind->isRing(), $kind->isOptical()]);
    }

    public function test_no_kind_is_left_out(): void
    {
        $this->assertSame(Kind::cases(), array_column(iterator_to_array(self::kinds(), false), 0));
    }

    public function test_what_passes_on_passes_all_the_way_or_not_at_all(): void
    {
        $both = Coupling::of(['contacts', 'lever']);
        $this->assertEquals(new Coupling(true, true), $both);
        $this->assertEquals(new Coupling(true, false), Coupling::of(['contacts', 'light']));
        $this->assertEquals(new Coupling(false, false), Coupling::of([]));
        $this->assertEquals(new Coupling(true, false), $both->through(Coupling::of(['contacts'])));
        $this->assertEquals(new Coupling(false, true), Coupling::of(['lever'])->through($both));
        $this->assertEquals(new Coupling(false, false), Coupling::of(['lever'])->through(Coupling::of(['contacts'])));
    }

    /** @return iterable<string, array{Kind, array<string, mixed>, float, float}> kind, fields, rear and front width mm */
    public static function outlines(): iterable
    {
        yield 'as measured at each end' => [Kind::Tube, ['outerMm' => 61, 'frontOuterMm' => 62, 'rearOuterMm' => 63], 63.0, 62.0];
        yield 'as measured at its widest' => [Kind::Tube, ['outerMm' => 61], 61.0, 61.0];
        yield 'by its threads: the metal around them' => [Kind::StepRing, ['rear' => 'thread:58x0.75', 'front' => 'thread:52x0.75'], 62.0, 56.0];
        yield 'by its mount' => [Kind::Adapter, ['rear' => 'larch', 'front' => 'thread:42x1'], 60.0, 46.0];
        yield 'as such things are' => [Kind::Tube, [], 60.0, 60.0];
        yield 'as bellows are' => [Kind::Bellows, [], 80.0, 80.0];
        yield 'as objectives are' => [Kind::Objective, [], 24.0, 24.0];
        yield 'as ports are' => [Kind::Port, [], 100.0, 100.0];
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('outlines')]
    public function test_how_wide_a_part_is(Kind $kind, array $fields, float $rear, float $front): void
    {
        $part = Parts::make($kind, new Values($fields + ['lengthMm' => 5, 'minMm' => 36, 'maxMm' => 162, 'nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 10, 'gapMm' => 5, 'glassMm' => 5, 'index' => 1.5]));
        $this->assertSame([$rear, $front], [Outline::rearMm($part), Outline::frontMm($part)]);
        $this->assertSame((float) ($fields['outerMm'] ?? max($rear, $front)), Outline::widestMm($part));
        $this->assertSame(! isset($fields['outerMm']), Outline::frontIsEstimated($part));
    }

    public function test_how_far_a_camera_reaches_back(): void
    {
        $camera = static fn (?float $depth): Camera => Camera::from(new Values(['registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24], 'depthMm' => $depth]));
        $this->assertSame(28.0, Outline::cameraBackMm($camera(null)));
        $this->assertSame(35.5, Outline::cameraBackMm($camera(80.0)));
        $this->assertSame(5.0, Outline::cameraBackMm($camera(44.5)), 'there is always something behind the sensor');
    }
}
