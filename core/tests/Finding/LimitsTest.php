<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Finding\Caution;
use ZincThimble\Core\Finding\Cautions;
use ZincThimble\Core\Finding\Code;
use ZincThimble\Core\Finding\Finding;
use ZincThimble\Core\Finding\Findings;
use ZincThimble\Core\Finding\Limits;
use ZincThimble\Core\Finding\RuleContext;
use ZincThimble\Core\Finding\Span;
use ZincThimble\Core\Plan\Advice;
use ZincThimble\Core\Reading\Infinity;
use ZincThimble\Core\Reading\Range;
use ZincThimble\Core\Reading\Reading;
use ZincThimble\Core\Reading\ReadingTable;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Tests\RigMaker;

/** Every bound of findings, cautions and advice (handbook, "Mistakes to catch before they happen"), just inside and just outside. */
final class LimitsTest extends TestCase
{
    private const CAMERA = ['name' => 'Body', 'joint' => 'larch', 'registerMm' => 44.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000], 'massG' => 500];

    private const LENS = [
        'kind' => 'lens', 'name' => 'Fifty', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38, 'focusing' => 'fixed',
        'design' => 'symmetrical', 'pupilRatio' => 1.0, 'principalGapMm' => -6, 'rearProtrusionMm' => 3, 'aperture' => ['widest' => 2.8, 'smallest' => 22, 'control' => 'ring'], 'set' => ['aperture' => 8],
    ];

    private const TUBE = ['kind' => 'tube', 'name' => 'Tube', 'rear' => 'larch', 'front' => 'larch', 'lengthMm' => 20, 'passes' => ['contacts', 'lever']];

    private const RING = ['kind' => 'reversing-ring', 'name' => 'Ring', 'rear' => 'larch', 'front' => 'thread:52x0.75', 'lengthMm' => 4];

    private const CLOSE_UP = ['kind' => 'close-up-lens', 'name' => 'Close-up', 'rear' => 'thread:52x0.75', 'front' => 'thread:52x0.75', 'powerD' => 4, 'elements' => 1, 'thicknessMm' => 6];

    private const OBJECTIVE = ['kind' => 'objective', 'name' => 'Objective', 'rear' => 'larch', 'nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 10];

    /** @return iterable<string, array{Code, string|null, array<string, float|int|null>, array<string, mixed>}> code, severity or null for none, columns put in place of what the rig reads, the rig */
    public static function readings(): iterable
    {
        $plain = self::rig([self::TUBE, self::LENS]);
        yield 'nothing between rig and subject' => [Code::Touching, 'warn', ['workingDistanceMm' => 0.0], $plain];
        yield 'focus inside is another finding' => [Code::Touching, null, ['workingDistanceMm' => -0.001], $plain];
        yield 'under 5 mm of room' => [Code::Touching, 'warn', ['workingDistanceMm' => 4.999999], $plain];
        yield '5 mm of room' => [Code::Touching, null, ['workingDistanceMm' => 5.0], $plain];
        yield 'focus just inside' => [Code::FocusInside, 'stop', ['workingDistanceMm' => -0.000001], $plain];
        yield 'focus right at the front' => [Code::FocusInside, null, ['workingDistanceMm' => 0.0], $plain];
        yield 'light from under 20 degrees' => [Code::LightShutOut, 'warn', ['lightGapDeg' => 19.999999], $plain];
        yield 'light from 20 degrees' => [Code::LightShutOut, null, ['lightGapDeg' => 20.0], $plain];
        yield 'corners at under 90 %' => [Code::Vignette, 'warn', ['cornerBrightness' => 0.899999, 'cornerPart' => 0], $plain];
        yield 'corners at 90 %' => [Code::Vignette, null, ['cornerBrightness' => 0.9, 'cornerPart' => 0], $plain];
        yield 'a tube is the stop' => [Code::Vignette, 'warn', ['stopPart' => 0, 'cornerBrightness' => 1.0], $plain];
        yield 'the working diaphragm is the stop' => [Code::Vignette, null, ['stopPart' => 1, 'cornerBrightness' => 1.0], $plain];
        yield 'over the moment a metal mount takes' => [Code::HeavyFront, 'warn', ['momentAtMountNm' => 1.000001], $plain];
        yield 'the moment a metal mount takes' => [Code::HeavyFront, null, ['momentAtMountNm' => 1.0], $plain];
        $plastic = self::rig([self::TUBE, self::LENS], ['mountMomentNm' => 0.4]);
        yield 'over the moment a plastic mount takes' => [Code::HeavyFront, 'warn', ['momentAtMountNm' => 0.400001], $plastic];
        yield 'the moment a plastic mount takes' => [Code::HeavyFront, null, ['momentAtMountNm' => 0.4], $plastic];
        $blur = self::rig([self::TUBE, self::LENS], conditions: ['blurLimitMm' => 0.02]);
        yield 'a spot over two blur limits' => [Code::Diffraction, 'warn', ['airyDiameterMm' => 0.0400001], $blur];
        yield 'a spot of two blur limits' => [Code::Diffraction, null, ['airyDiameterMm' => 0.04], $blur];
        $deep = self::rig([self::TUBE, self::LENS], subject: ['widthMm' => 20, 'depthMm' => 10]);
        yield 'as deep as a slice' => [Code::SliceThin, null, ['depthOfFieldMm' => 10.0], $deep];
        yield 'deeper than a slice' => [Code::SliceThin, 'note', ['depthOfFieldMm' => 9.9999], $deep];
        yield 'ten slices deep' => [Code::SliceThin, 'note', ['depthOfFieldMm' => 1.0], $deep];
        yield 'over ten slices deep' => [Code::SliceThin, 'warn', ['depthOfFieldMm' => 0.9999], $deep];
        foreach (['hand' => 1.0, 'braced' => 0.3] as $support => $sway) {
            $held = self::rig([self::TUBE, self::LENS], conditions: ['support' => $support]);
            yield 'half a slice is what one sways, '.$support => [Code::Sway, null, ['depthOfFieldMm' => 2.0 * $sway], $held];
            yield 'half a slice is less, '.$support => [Code::Sway, 'warn', ['depthOfFieldMm' => 1.9999 * $sway], $held];
        }
        yield 'a table does not sway' => [Code::Sway, null, ['depthOfFieldMm' => 0.001], self::rig([self::TUBE, self::LENS], conditions: ['support' => 'table'])];
        yield 'above life size the usual way round' => [Code::TurnItRound, 'note', ['magnification' => 1.000001], $plain];
        yield 'at life size' => [Code::TurnItRound, null, ['magnification' => 1.0], $plain];
        $fast = static fn (float $widest): array => self::rig([self::TUBE, ['aperture' => ['widest' => $widest, 'smallest' => 16, 'control' => 'ring']] + self::LENS]);
        yield 'a fast lens at over 1 : 2' => [Code::Unsuited, 'note', ['magnification' => 0.500001], $fast(1.49)];
        yield 'a fast lens at 1 : 2' => [Code::Unsuited, null, ['magnification' => 0.5], $fast(1.49)];
        yield 'a lens not as fast' => [Code::Unsuited, null, ['magnification' => 0.9], $fast(1.5)];
        $macro = static fn (float $m0): array => self::rig([self::TUBE, ['maxMagnification' => $m0] + self::LENS]);
        yield 'a lens to 1 : 2 by itself is for close-up work' => [Code::TurnItRound, null, ['magnification' => 1.5], $macro(0.5)];
        yield 'a lens to a little less is not' => [Code::TurnItRound, 'note', ['magnification' => 1.5], $macro(0.499)];
        // The usual way round, without the ring, the tube gives 20 / 50.
        $reversed = self::rig([self::TUBE, self::RING, ['reversed' => true] + self::LENS]);
        yield 'reversed it gains a twentieth' => [Code::TurnItRound, 'note', ['magnification' => 0.4 / 0.95 - 1e-6], $reversed];
        yield 'reversed it gains over a twentieth' => [Code::TurnItRound, null, ['magnification' => 0.4 / 0.95 + 1e-6], $reversed];
        // Of 38 mm, 38 - b add nothing when it is reversed: b = 5.5 + g.
        $turned = static fn (float $gap): array => self::rig([self::RING, ['reversed' => true, 'principalGapMm' => $gap] + self::LENS]);
        yield 'half of it adds nothing' => [Code::Unsuited, null, ['magnification' => 2.0], $turned(13.5)];
        yield 'over half of it adds nothing' => [Code::Unsuited, 'note', ['magnification' => 2.0], $turned(13.501)];
    }

    /**
     * @param  array<string, float|int|null>  $columns
     * @param  array<string, mixed>  $document
     */
    #[DataProvider('readings')]
    public function test_a_reading_on_either_side_of_its_bound(Code $code, ?string $severity, array $columns, array $document): void
    {
        $rig = RigMaker::made($document);
        $table = ReadingTable::ofOne(Reading::of($rig));
        foreach ($columns as $name => $value) {
            $table->{$name} = [$value];
        }
        $range = Range::of($rig);
        $spans = Findings::spans(new RuleContext($rig, $range, Infinity::of($rig, $range), $table));
        $found = array_values(array_filter($spans, static fn (Span $span): bool => $span->finding->code === $code));
        $this->assertSame($severity === null ? [] : [$severity], array_map(static fn (Span $span): string => $span->finding->severity->value, $found));
    }

    /** @return iterable<string, array{Code, string|null, array<string, mixed>}> */
    public static function rigs(): iterable
    {
        $closeUps = static fn (float $power, float $aperture): array => self::rig([['set' => ['aperture' => $aperture]] + self::LENS, ['powerD' => $power] + self::CLOSE_UP]);
        yield 'under +4' => [Code::DiopterStrong, null, $closeUps(3.999, 8)];
        yield '+4' => [Code::DiopterStrong, 'note', $closeUps(4.0, 8)];
        yield 'over +4' => [Code::DiopterStrong, 'warn', $closeUps(4.001, 8)];
        yield '+4 through 5 mm' => [Code::DiopterStrong, 'note', $closeUps(4.0, 10)];
        yield '+4 through less' => [Code::DiopterStrong, null, $closeUps(4.0, 10.1)];
        yield 'over +4 through less' => [Code::DiopterStrong, 'note', $closeUps(4.001, 10.1)];
        yield 'the stronger one in front' => [Code::StackedDioptersOrder, 'note', self::rig([self::LENS, ['powerD' => 1] + self::CLOSE_UP, ['powerD' => 1.01] + self::CLOSE_UP])];
        yield 'two of the same' => [Code::StackedDioptersOrder, null, self::rig([self::LENS, ['powerD' => 1] + self::CLOSE_UP, ['powerD' => 1] + self::CLOSE_UP])];
        $second = static fn (float $mm): array => self::rig([self::TUBE, ['lengthMm' => $mm, 'name' => 'Second'] + self::TUBE, self::LENS]);
        yield 'a tube that adds under 5 %' => [Code::AddsLittle, 'note', $second(0.9999)];
        yield 'a tube that adds over 5 %' => [Code::AddsLittle, null, $second(1.0001)];
        $tubes = static fn (float ...$mm): array => self::rig([...array_map(static fn (float $each): array => ['lengthMm' => $each] + self::TUBE, $mm), self::LENS]);
        yield '100 mm of bare tube' => [Code::Flare, null, $tubes(40, 60)];
        yield 'over 100 mm' => [Code::Flare, 'note', $tubes(40, 60.01)];
        yield 'two short tubes' => [Code::Flare, null, $tubes(10, 10)];
        yield 'three short tubes' => [Code::Flare, 'note', $tubes(10, 10, 10)];
        $short = static fn (float $by): array => self::rig([['registerMm' => 44.5 + $by] + self::LENS]);
        yield 'too short by a shim' => [Code::InfinityOvershot, null, $short(0.0199)];
        yield 'too short by more than a shim' => [Code::InfinityOvershot, 'note', $short(0.0201)];
        // Nothing on it moves: there is one distance alone.
        $room = Reading::of(RigMaker::made(self::rig([self::TUBE, self::LENS])))->workingDistanceMm;
        $asked = static fn (float $mm): array => self::rig([self::TUBE, self::LENS], conditions: ['askedDistanceMm' => $mm]);
        yield 'asked for what it does' => [Code::OutsideWindow, null, $asked((float) $room)];
        yield 'asked for nearer' => [Code::OutsideWindow, 'warn', $asked((float) $room - 0.001)];
        yield 'asked for further' => [Code::OutsideWindow, 'warn', $asked((float) $room + 0.001)];
        $grip = static fn (float $overhang): array => self::rig([['kind' => 'bellows', 'name' => 'Bellows', 'rear' => 'larch', 'front' => 'larch', 'minMm' => 40, 'maxMm' => 150, 'rearClearanceMm' => 10], self::LENS], ['gripOverhangMm' => $overhang]);
        yield 'a grip that just clears' => [Code::GripFouls, null, $grip(10.0)];
        yield 'a grip that fouls' => [Code::GripFouls, 'stop', $grip(10.001)];
    }

    /** @param  array<string, mixed>  $document */
    #[DataProvider('rigs')]
    public function test_a_rig_on_either_side_of_its_bound(Code $code, ?string $severity, array $document): void
    {
        $found = array_values(array_filter(RigReport::of(RigMaker::made($document))->findings, static fn (Finding $finding): bool => $finding->code === $code));
        $this->assertSame($severity === null ? [] : [$severity], array_map(static fn (Finding $finding): string => $finding->severity->value, $found));
    }

    /** @return iterable<string, array{string, bool, float, float, float, list<string>}> caution, whether, mass, length, room, traits */
    public static function cautions(): iterable
    {
        yield 'as heavy as heavy is' => ['heavy', true, 2000.0, 100.0, 200.0, []];
        yield 'a gram less' => ['heavy', false, 1999.0, 100.0, 200.0, []];
        yield 'as long as long is' => ['heavy', true, 900.0, 350.0, 200.0, []];
        yield 'a little less' => ['heavy', false, 900.0, 349.99, 200.0, []];
        yield 'near what flees' => ['flash', true, 900.0, 100.0, 149.99, ['flees']];
        yield 'a hand’s width off' => ['flash', false, 900.0, 100.0, 150.0, ['flees']];
        yield 'near what stays' => ['flash', false, 900.0, 100.0, 50.0, ['wet']];
    }

    /** @param  list<string>  $traits */
    #[DataProvider('cautions')]
    public function test_a_caution_on_either_side_of_its_bound(string $code, bool $said, float $mass, float $length, float $room, array $traits): void
    {
        $rig = RigMaker::made(self::rig([self::LENS], ['massG' => $mass], subject: ['widthMm' => 10, 'traits' => $traits]));
        $reading = clone Reading::of($rig);
        (fn () => $this->workingDistanceMm = $room)->call($reading);
        $codes = array_map(static fn (Caution $caution): string => $caution->code, Cautions::of($rig, $reading, $length, []));
        $this->assertSame($said, in_array($code, $codes, true));
    }

    public function test_sway_stays_within_half_a_slice_for_so_long(): void
    {
        foreach (['hand' => 1.0, 'braced' => 0.3] as $support => $sway) {
            $rig = RigMaker::made(self::rig([self::TUBE, self::LENS], conditions: ['support' => $support], subject: ['widthMm' => 20, 'depthMm' => 2]));
            $slice = (float) Reading::of($rig)->depthOfFieldMm;
            // Sideways too, and that is mostly less: the blur limit over what the picture moves.
            $m = (float) Reading::of($rig)->magnification;
            $this->assertEqualsWithDelta($rig->blurLimitMm / (2.0 * $sway * $m), Advice::of($rig)->longestSwayS, 1e-9);
            $this->assertLessThan($slice / 2.0 / $sway * 0.5, Advice::of($rig)->longestSwayS);
            // A blur limit as wide as the slice is deep leaves the slice to decide.
            $blunt = $rig->withConditions($rig->conditions->with(['blurRule' => 'given', 'blurLimitMm' => 2.0]));
            $wide = (float) Reading::of($blunt)->depthOfFieldMm;
            $this->assertEqualsWithDelta(min($wide / 2.0 / $sway * 0.5, 2.0 / (2.0 * $sway * $m)), Advice::of($blunt)->longestSwayS, 1e-9);
        }
    }

    public function test_each_bound_is_what_the_handbook_says(): void
    {
        $this->assertSame([
            'TOUCHING_MM' => 5.0, 'SHUT_OUT_DEG' => 20.0, 'CORNER_BRIGHTNESS' => 0.9, 'CLEAR_CORNER' => 0.999, 'STRONG_D' => 4.0, 'FORGIVING_PUPIL_MM' => 5.0, 'ADDS_LITTLE' => 0.05,
            'BETTER_REVERSED' => 1.0, 'SAME_EITHER_WAY' => 0.95, 'WASTED' => 0.5, 'CLOSE_UP_WORK' => 0.5, 'WIDE_APERTURE' => 1.5, 'SPOT_OVER_BLUR' => 2.0, 'SLICES' => 1.0, 'MANY_SLICES' => 10.0,
            'SWAY_MM' => ['hand' => 1.0, 'braced' => 0.3], 'SWAY_S' => 0.5, 'SWAY_SHARE' => 1.0, 'MOUNT_NM' => 1.0, 'BARE_MM' => 100.0, 'BARE_TUBES' => 3, 'FAR_MM' => 2000.0, 'FAR_WIDTH_MM' => 500.0, 'SHIM_MM' => 0.02,
            'HEAVY_G' => 2000.0, 'LONG_MM' => 350.0, 'FLASH_NEAR_MM' => 150.0,
        ], (new \ReflectionClass(Limits::class))->getConstants());
    }

    /**
     * @param  list<array<string, mixed>>  $chain
     * @param  array<string, mixed>  $camera
     * @param  array<string, mixed>  $conditions
     * @param  array<string, mixed>  $subject
     * @return array<string, mixed>
     */
    private static function rig(array $chain, array $camera = [], array $conditions = [], array $subject = []): array
    {
        return [
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => $camera + self::CAMERA, 'chain' => $chain, 'conditions' => $conditions === [] ? new \stdClass : $conditions,
        ] + ($subject === [] ? [] : ['subject' => $subject]);
    }
}
