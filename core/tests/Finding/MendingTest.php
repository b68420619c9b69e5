<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Mend;
use ZincThimble\Core\Finding\Mending;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Part;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Values;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\Near;
use ZincThimble\Core\Tests\RigMaker;

/** Every code of the handbook is raised by a rig that deserves it, and cured where a change can cure it. */
final class MendingTest extends TestCase
{
    private const CAMERA = [
        'name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000],
        'passes' => ['contacts', 'lever'], 'modes' => [['name' => 'middle', 'widthMm' => 18, 'heightMm' => 12, 'columns' => 3000, 'rows' => 2000]],
    ];

    private const LENS = [
        'kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38,
        'focusing' => 'fixed', 'design' => 'symmetrical', 'pupilRatio' => 1.0, 'principalGapMm' => -6, 'rearProtrusionMm' => 3, 'outerMm' => 60,
        'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['focus' => 0, 'aperture' => 8],
    ];

    private const TUBE = ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 31, 'passes' => ['contacts', 'lever']];

    private const RING = ['kind' => 'reversing-ring', 'name' => 'Reversing ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4];

    private const BELLOWS = ['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 36, 'maxMm' => 160, 'setMm' => 60];

    private const CLOSE_UP = ['kind' => 'close-up-lens', 'name' => 'Close-up', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 4, 'thicknessMm' => 6];

    /**
     * @return iterable<string, array{Code, array<string, mixed>, list<array<string, mixed>>, bool}> code, rig, kit, whether a mend is owed
     */
    public static function rigs(): iterable
    {
        $rig = static fn (array $chain, array $camera = [], array $conditions = [], array $subject = []): array => [
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => $camera + self::CAMERA, 'chain' => $chain,
            'conditions' => $conditions === [] ? new \stdClass : $conditions,
        ] + ($subject === [] ? [] : ['subject' => $subject]);
        $with = static fn (array $part, array $changed): array => $changed + $part;

        yield 'a screw lens on a bayonet, an adapter in the kit' => [Code::JointMismatch, $rig([$with(self::LENS, ['rear' => 'thread:39x26tpi'])]), [
            ['kind' => 'adapter', 'name' => 'Larch to 39', 'rear' => 'larch', 'front' => 'thread:39x26tpi', 'lengthMm' => 1],
        ], true];
        yield 'threads that look alike' => [Code::ThreadLookalike, $rig([self::LENS, $with(self::CLOSE_UP, ['rear' => 'thread:52x0.5'])]), [], true];
        yield 'too much tube for a short lens' => [Code::FocusInside, $rig([self::TUBE, self::TUBE, $with(self::LENS, ['focalLengthMm' => 24, 'frontRimMm' => 60])]), [], true];
        yield 'bellows too long for a short lens' => [Code::FocusInside, $rig([$with(self::BELLOWS, ['setMm' => 160]), $with(self::LENS, ['focalLengthMm' => 35, 'frontRimMm' => 44])]), [], true];
        yield 'a converter in front of a tube' => [Code::NoImage, $rig([self::TUBE, ['kind' => 'teleconverter', 'name' => 'Converter', 'rear' => 'larch', 'front' => 'larch', 'factor' => 1.4, 'lengthMm' => 18], self::LENS]), [], true];
        yield 'a lever nobody works' => [Code::ApertureStuck, $rig([self::RING, $with(self::LENS, ['reversed' => true, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'lever']])]), [], true];
        yield 'a grip against the rail' => [Code::GripFouls, $rig([self::BELLOWS, self::LENS], ['gripOverhangMm' => 20]), [$with(self::TUBE, ['name' => 'Tube 25', 'lengthMm' => 25])], true];
        yield 'nearly touching' => [Code::Touching, $rig([$with(self::TUBE, ['lengthMm' => 21]), $with(self::TUBE, ['lengthMm' => 10, 'name' => 'Tube 10']), $with(self::LENS, ['focalLengthMm' => 35, 'frontRimMm' => 56, 'outerMm' => 12])]), [], true];
        yield 'nearly touching in the dark' => [Code::Touching, $rig([$with(self::TUBE, ['lengthMm' => 21]), $with(self::TUBE, ['lengthMm' => 10, 'name' => 'Tube 10']), $with(self::LENS, ['focalLengthMm' => 35, 'frontRimMm' => 56])]), [], true];
        yield 'no way in for light' => [Code::LightShutOut, $rig([self::BELLOWS, $with(self::LENS, ['focalLengthMm' => 50, 'frontRimMm' => 75, 'outerMm' => 90])]), [], true];
        yield 'a throat that cuts the corner' => [Code::Vignette, $rig([$with(self::TUBE, ['lengthMm' => 31, 'clearMm' => 20]), self::LENS]), [], true];
        yield 'asked to focus too near' => [Code::OutsideWindow, $rig([self::TUBE, self::LENS], [], ['askedDistanceMm' => 60]), [], true];
        yield 'a tube that takes infinity' => [Code::InfinityLost, $rig([$with(self::TUBE, ['lengthMm' => 1]), $with(self::LENS, ['focusing' => 'unit', 'minFocusMm' => 500, 'maxMagnification' => 0.12, 'set' => ['focus' => 1, 'aperture' => 8]])], [], ['infinity' => true]), [], true];
        yield 'two tubes that take infinity and most of the magnification' => [Code::InfinityLost, $rig([$with(self::TUBE, ['lengthMm' => 15]), $with(self::TUBE, ['lengthMm' => 9]), $with(self::LENS, ['focusing' => 'unit', 'minFocusMm' => 500, 'maxMagnification' => 0.12, 'set' => ['focus' => 1, 'aperture' => 8]])], [], ['infinity' => true]), [], true];
        yield 'an adapter that is short' => [Code::InfinityOvershot, $rig([['kind' => 'adapter', 'name' => 'Adapter', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 1.5], $with(self::LENS, ['registerMm' => 46.2])]), [
            ['kind' => 'tube', 'name' => 'Shim', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 0.2],
        ], true];
        yield 'two single diopters' => [Code::DiopterStrong, $rig([self::LENS, self::CLOSE_UP, $with(self::CLOSE_UP, ['powerD' => 2])]), [], true];
        yield 'the weaker one next to the lens' => [Code::StackedDioptersOrder, $rig([self::LENS, $with(self::CLOSE_UP, ['powerD' => 1, 'name' => 'Close-up +1']), self::CLOSE_UP]), [], true];
        yield 'a tube under a strong diopter' => [Code::AddsLittle, $rig([$with(self::TUBE, ['lengthMm' => 0.3]), self::LENS, self::CLOSE_UP]), [], true];
        yield 'above life size the usual way round' => [Code::TurnItRound, $rig([self::BELLOWS, self::LENS]), [self::RING], true];
        yield 'a curved field on a flat thing' => [Code::Unsuited, $rig([self::TUBE, $with(self::LENS, ['flatField' => false])], [], [], ['flat' => true]), [], false];
        yield 'far stopped down' => [Code::Diffraction, $rig([self::BELLOWS, $with(self::LENS, ['set' => ['aperture' => 22]])]), [], true];
        yield 'a subject deeper than the slice' => [Code::SliceThin, $rig([self::TUBE, $with(self::LENS, ['set' => ['aperture' => 2.8]])], [], [], ['widthMm' => 30, 'depthMm' => 2]), [], true];
        yield 'swaying in the hand' => [Code::Sway, $rig([self::TUBE, self::LENS], [], ['support' => 'hand']), [], true];
        yield 'a heavy lens on a weak mount' => [Code::HeavyFront, $rig([$with(self::LENS, ['massG' => 3000])], ['mountMomentNm' => 0.4]), [], false];
        yield 'a focusing lens on a screw' => [Code::ScrewLoose, $rig([$with(self::LENS, ['rear' => 'thread:42x1', 'focusing' => 'unit', 'minFocusMm' => 460, 'maxMagnification' => 0.145])], ['joint' => 'thread:42x1']), [], false];
        yield 'figures that miss each other' => [Code::DataDisagree, $rig([$with(self::LENS, ['focusing' => 'unit', 'minFocusMm' => 900, 'maxMagnification' => 0.145])]), [], false];
        yield 'an adapter without a stop' => [Code::NoShoulder, $rig([['kind' => 'adapter', 'name' => 'Ring', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 2, 'shoulder' => false], self::LENS]), [], false];
        yield 'bare rear glass' => [Code::BareRear, $rig([self::RING, $with(self::LENS, ['reversed' => true])]), [
            ['kind' => 'hood', 'name' => 'Rear hood', 'rear' => 'larch', 'rearSide' => 'female', 'lengthMm' => 12],
        ], true];
        yield 'a body that wants a coupled lens' => [Code::BodyUncoupled, $rig([self::TUBE, self::LENS], ['coupling' => []]), [], false];
        yield 'a long bare draw' => [Code::Flare, $rig([$with(self::BELLOWS, ['setMm' => 150]), self::LENS]), [], false];
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<array<string, mixed>>  $kit
     */
    #[DataProvider('rigs')]
    public function test_it_is_raised_and_cured(Code $code, array $document, array $kit, bool $owed): void
    {
        $rig = RigMaker::made($document);
        $findings = RigReport::of($rig)->findings;
        $found = array_values(array_filter($findings, static fn (Finding $finding): bool => $finding->code === $code));
        $this->assertNotEmpty($found, 'raised are: '.implode(', ', array_map(static fn (Finding $finding): string => $finding->code->value, $findings)));
        $this->assertDoesNotMatchRegularExpression('/[{}]/', $found[0]->message(), 'every number is said');
        $parts = array_map(static fn (array $part): Part => Parts::make(Kind::from($part['kind']), new Values(array_diff_key($part, ['kind' => 0]))), $kit);
        $mends = Mending::of($rig, $found[0], $parts);
        if (! $owed) {
            $this->assertSame([], $mends);
            $this->assertArrayHasKey($code->value, Mending::WITHOUT, 'a code without a mend says why');

            return;
        }
        $this->assertNotEmpty($mends);
        $said = array_map(static fn (Mend $mend): string => $mend->label(), $mends);
        $this->assertSame(array_unique($said), $said, 'nothing is offered twice');
        foreach ($mends as $mend) {
            $this->assertMends($rig, $found[0], Mending::findings($rig), $mend);
            $this->assertDoesNotMatchRegularExpression('/[{}]/', $mend->label());
        }
    }

    public function test_every_code_is_among_them(): void
    {
        $tried = array_map(static fn (array $case): string => $case[0]->value, iterator_to_array(self::rigs(), false));
        foreach (Code::cases() as $code) {
            $this->assertContains($code->value, $tried);
        }
    }

    public function test_whatever_is_offered_for_any_rig_cures_it_and_raises_nothing_worse(): void
    {
        $make = RigMaker::seeded(__METHOD__);
        $offered = 0;
        for ($n = 0; $n < 150; $n++) {
            $rig = $make->rig();
            $findings = RigReport::of($rig)->findings;
            foreach ($findings as $finding) {
                foreach (Mending::of($rig, $finding) as $mend) {
                    $this->assertMends($rig, $finding, Mending::findings($rig), $mend);
                    $offered++;
                }
            }
        }
        $this->assertGreaterThan(100, $offered);
    }

    /** @param  list<Finding>  $findings */
    private function assertMends(Rig $rig, Finding $finding, array $findings, Mend $mend): void
    {
        $after = Mending::applied($rig, $mend);
        $left = Mending::findings($after);
        $name = $rig->name.' '.$finding->code->value.': '.$mend->label();
        // Set past infinity, and with a stop past it, are two things under one code.
        $same = static fn (Finding $each): bool => $each->code === $finding->code && $each->severity->rank() <= $finding->severity->rank() && ($each->code !== Code::InfinityOvershot || $each->pattern === $finding->pattern);
        $this->assertLessThan(count(array_filter($findings, $same)), count(array_filter($left, $same)), $name);
        foreach ($left as $each) {
            $new = array_filter($findings, static fn (Finding $other): bool => $other->code === $each->code && $other->severity->rank() <= $each->severity->rank()) === [];
            $this->assertFalse($new && $each->severity->rank() < $finding->severity->rank(), $name.' raises '.$each->code->value);
        }
        $this->assertTrue($rig->lenses === [] || $after->lenses !== [], $name.' takes the only lens');
        $this->assertSame($rig->camera->name, $after->camera->name);
        Near::assert(Reading::of($after)->magnification, $mend->magnification, 1e-12, $name);
    }
}
