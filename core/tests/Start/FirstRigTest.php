<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Start;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\Reading\FocusState;
use ZincThimble\Core\Report\RigReport;
use ZincThimble\Core\Rig\Rig;
use ZincThimble\Core\Rig\TakenAs;
use ZincThimble\Core\Rig\TravelKind;
use ZincThimble\Core\Start\FirstAnswers;
use ZincThimble\Core\Start\FirstParts;
use ZincThimble\Core\Start\FirstQuestion;
use ZincThimble\Core\Start\FirstRig;
use ZincThimble\Core\Start\LensKind;
use ZincThimble\Core\Start\Mount;

/** What three answers make: a kit and a rig that can be read, with what nobody told marked as guessed. */
final class FirstRigTest extends TestCase
{
    private const SHORT = ['kind' => 'camera', 'name' => 'Short', 'joint' => 'short 18', 'registerMm' => 18, 'sensor' => ['widthMm' => 23.5, 'heightMm' => 15.6, 'columns' => 6000, 'rows' => 4000], 'passes' => ['contacts']];

    private const MIRROR = ['kind' => 'camera', 'name' => 'Mirror', 'joint' => 'mirror 46', 'registerMm' => 46.5, 'sensor' => ['widthMm' => 36, 'heightMm' => 24, 'columns' => 6000, 'rows' => 4000], 'passes' => ['contacts']];

    private const FIXED = ['kind' => 'camera', 'name' => 'Fixed', 'joint' => 'fixed', 'registerMm' => 20, 'sensor' => ['widthMm' => 13.2, 'heightMm' => 8.8, 'columns' => 5472, 'rows' => 3648], 'passes' => ['contacts']];

    public function test_a_lens_on_two_tubes_is_what_hand_arithmetic_says(): void
    {
        $rig = self::rig(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 50.0, widest: 1.8, closestMm: 450.0, tubesMm: [20.0, 10.0]));
        $this->assertSame(['tube', 'tube', 'lens'], self::kinds($rig));
        // At infinity of its ring, 30 mm of tube are 30 / 50 of magnification; turned in, more.
        $far = RigReport::of($rig->with(TravelKind::Focus, 2, 0.0))->reading;
        $this->assertEqualsWithDelta(0.6, $far->magnification, 0.6 * 0.06);
        $near = RigReport::of($rig)->reading;
        $this->assertGreaterThan((float) $far->magnification, (float) $near->magnification);
        $this->assertLessThan((float) $far->workingDistanceMm, (float) $near->workingDistanceMm);
        $this->assertSame(1.0, $rig->setting->focus[2]);
    }

    public function test_what_nobody_told_is_marked_with_its_half_width_and_what_they_told_is_not(): void
    {
        $bare = self::parts(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 50.0));
        $lens = $bare['parts'][1];
        $this->assertSame(['frontRimMm', 'aperture.widest', 'minFocusMm'], array_keys((array) $lens['guessed']));
        $rig = self::rig(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 50.0));
        $taken = array_column(array_map(static fn (TakenAs $each): array => [$each->figure->value, $each->given], $rig->lenses[0]->takenAs), 1, 0);
        $this->assertArrayHasKey('frontRimMm', $taken);
        $this->assertNull($taken['frontRimMm']);
        $this->assertStringContainsString('f/1.8', implode(' ', RigReport::of($rig)->toArray()['estimates']));

        $told = self::parts(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 50.0, widest: 1.8, closestMm: 450.0, rimMm: 38.0));
        $this->assertArrayNotHasKey('guessed', $told['parts'][1]);
        $this->assertSame(38.0, $told['parts'][1]['frontRimMm']);
        $this->assertSame(450.0, $told['parts'][1]['minFocusMm']);
    }

    public function test_a_guessed_rim_makes_the_working_distance_less_sure_and_a_measured_one_surer_by_what_is_said(): void
    {
        $answers = new FirstAnswers(camera: self::SHORT, focalLengthMm: 50.0, widest: 1.8, closestMm: 450.0, tubesMm: [20.0]);
        $told = RigReport::of(self::rig($answers));
        $most = FirstRig::wouldHelpMost($answers, self::parts($answers)['parts'][2], $told, self::rig(...));
        $this->assertNotNull($most);
        $this->assertSame(FirstQuestion::Rim, $most['question']);
        $this->assertSame('workingDistanceMm', $most['reading']);
        $this->assertSame($told->halfWidths['workingDistanceMm'], $most['before']);
        $rim = self::parts($answers)['parts'][2]['frontRimMm'];
        $this->assertIsFloat($rim);
        $known = $answers->knowing(FirstQuestion::Rim, $rim);
        $this->assertSame($rim, $known->rimMm);
        $this->assertSame(450.0, $known->closestMm);
        $this->assertEqualsWithDelta(RigReport::of(self::rig($known))->halfWidths['workingDistanceMm'], $most['after'], 1e-9);
        $this->assertNull(FirstRig::wouldHelpMost($known, self::parts($known)['parts'][2], RigReport::of(self::rig($known)), self::rig(...)), 'nothing is left open');
    }

    public function test_which_closest_focus_is_from_the_front_and_a_magnification_stand_where_they_belong(): void
    {
        $front = self::parts(new FirstAnswers(camera: self::FIXED, builtIn: ['frontRimMm' => 60, 'focalLengthMm' => 9], closestMm: 50.0, fromFront: true, focalLengthMm: 9.0, longestMm: 30.0, kind: LensKind::Zoom));
        $lens = $front['parts'][1];
        $this->assertSame('fixed', $lens['rear']);
        $this->assertIsArray($lens['stations']);
        [$short, $long] = $lens['stations'];
        $this->assertSame([9.0, 30.0, 50.0], [$short['focalLengthMm'], $long['focalLengthMm'], $long['minFocusFrontMm']]);
        $this->assertArrayNotHasKey('minFocusMm', $long);
        $this->assertArrayNotHasKey('minFocusFrontMm', $short);
        $this->assertSame(['frontRimMm', 'aperture.widest', 'maxMagnification'], array_keys($long['guessed']));
        $this->assertLessThan($long['maxMagnification'], $short['maxMagnification']);
        $this->assertSame('electronic', self::aperture($lens)['control']);

        $macro = self::parts(new FirstAnswers(camera: self::SHORT, kind: LensKind::Macro))['parts'][1];
        $this->assertSame(1.0, $macro['maxMagnification']);
        $this->assertArrayNotHasKey('minFocusMm', $macro);
        $half = self::parts(new FirstAnswers(camera: self::SHORT, kind: LensKind::Macro, greatest: 0.5, closestMm: 310.0))['parts'][1];
        $this->assertSame([0.5, 310.0], [$half['maxMagnification'], $half['minFocusMm']]);
    }

    /** A closest focus alone would make a long zoom a macro lens: such lenses lose focal length as they come near. */
    public function test_a_zoom_is_not_taken_for_more_than_such_lenses_do(): void
    {
        $rig = self::rig(new FirstAnswers(camera: self::SHORT, kind: LensKind::Zoom, focalLengthMm: 70.0, longestMm: 300.0, closestMm: 1200.0));
        $told = RigReport::of($rig);
        $this->assertEqualsWithDelta(0.22, (float) $told->reading->magnification, 0.08);
        $this->assertGreaterThan(0.05, $told->halfWidths['magnification']);
        $short = $rig->with(TravelKind::Zoom, 0, 70.0);
        $this->assertEqualsWithDelta(70.0 / (1200.0 - 140.0), (float) RigReport::of($short)->reading->magnification, 0.03);
        // Told, it is taken as told.
        $known = self::rig(new FirstAnswers(camera: self::SHORT, kind: LensKind::Zoom, focalLengthMm: 70.0, longestMm: 300.0, closestMm: 1200.0, greatest: 0.26));
        $this->assertEqualsWithDelta(0.26, (float) RigReport::of($known)->reading->magnification, 0.01);
    }

    public function test_rings_between_mounts_are_as_thick_as_the_registers_differ(): void
    {
        $mirror = self::rig(new FirstAnswers(camera: self::SHORT, mount: Mount::Mirror));
        $this->assertSame(['adapter', 'lens'], self::kinds($mirror));
        $this->assertEqualsWithDelta(28.5, $mirror->lengthMm(0), 1e-9);
        $screw = self::rig(new FirstAnswers(camera: self::SHORT, mount: Mount::Screw, tubesMm: [12.0]));
        $this->assertSame(['tube', 'adapter', 'lens'], self::kinds($screw));
        $this->assertEqualsWithDelta(27.46, $screw->lengthMm(1), 1e-9);
        // On a body whose register is the longer one, the ring has its own thickness.
        $this->assertEqualsWithDelta(1.0, self::rig(new FirstAnswers(camera: self::MIRROR, mount: Mount::Screw))->lengthMm(0), 1e-9);
        $enlarging = self::rig(new FirstAnswers(camera: self::SHORT, kind: LensKind::Enlarging, bellowsMm: [35.0, 135.0]));
        $this->assertSame(['bellows', 'adapter', 'adapter', 'lens'], self::kinds($enlarging));
        $this->assertSame(['registerMm'], array_values(array_intersect(['registerMm'], array_map(static fn (TakenAs $each): string => $each->figure->value, $enlarging->lenses[3]->takenAs))));
    }

    public function test_turned_round_faced_and_stacked_glasses(): void
    {
        $turned = self::rig(new FirstAnswers(camera: self::MIRROR, kind: LensKind::Wide, turned: true));
        $this->assertSame(['reversing-ring', 'lens'], self::kinds($turned));
        $this->assertTrue($turned->chain[1]->document->fields['reversed'] ?? false);
        $this->assertNull(self::parts(new FirstAnswers(camera: self::MIRROR, turned: true))['parts'][2]['reversed'] ?? null, 'in the kit it lies as it was made');

        $faced = self::rig(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 100.0, turned: true, otherMm: 50.0));
        $this->assertSame(['lens', 'coupling-ring', 'lens'], self::kinds($faced), 'what faces another lens is not turned itself');
        $this->assertEqualsWithDelta(2.0, (float) RigReport::of($faced->with(TravelKind::Focus, 0, 0.0))->reading->magnification, 0.2);

        $stacked = self::rig(new FirstAnswers(camera: self::MIRROR, closeUpsD: [2.0, 10.0, 4.0]));
        $this->assertSame([10.0, 4.0, 2.0], array_map(static fn ($part): float => (float) $part->document->fields['powerD'], array_slice($stacked->chain, 1)), 'the strongest next to the lens');
    }

    public function test_one_tube_or_one_glass_alone_is_mounted_and_the_others_lie_in_the_kit(): void
    {
        $answers = new FirstAnswers(camera: self::MIRROR, tubesMm: [10.0, 21.0, 31.0], tube: 1, closeUpsD: [2.0, 4.0], closeUp: 0);
        $rig = self::rig($answers);
        $this->assertSame(['tube', 'lens', 'close-up-lens'], self::kinds($rig));
        $this->assertSame([21.0, 2.0], [$rig->lengthMm(0), (float) $rig->chain[2]->document->fields['powerD']]);
        $this->assertCount(7, self::parts($answers)['parts']);
    }

    public function test_it_is_set_as_large_as_it_goes_with_the_subject_in_front_of_the_glass(): void
    {
        $bellows = self::rig(new FirstAnswers(camera: self::MIRROR, kind: LensKind::Zoom, focalLengthMm: 24.0, longestMm: 70.0, bellowsMm: [35.0, 300.0]));
        $told = RigReport::of($bellows);
        $this->assertSame(FocusState::Sharp, $told->focus());
        $this->assertSame(70.0, $bellows->setting->zoomMm[1]);
        $further = $bellows->with(TravelKind::Length, 0, min(300.0, (float) $bellows->setting->lengthMm[0] + 2.0));
        $this->assertTrue($bellows->setting->lengthMm[0] === 300.0 || RigReport::of($further)->focus() === FocusState::Inside);
        // A wide lens the usual way round: at full draw its subject would stand inside the glass.
        $wide = self::rig(new FirstAnswers(camera: self::MIRROR, kind: LensKind::Wide, focalLengthMm: 28.0, bellowsMm: [3.0, 300.0]));
        $draw = (float) $wide->setting->lengthMm[0];
        $this->assertGreaterThan(3.0, $draw);
        $this->assertLessThan(300.0, $draw);
        $this->assertSame(FocusState::Sharp, RigReport::of($wide)->focus());
        $this->assertSame(FocusState::Inside, RigReport::of($wide->with(TravelKind::Length, 0, $draw + 2.0))->focus());
        $short = self::rig(new FirstAnswers(camera: self::MIRROR, focalLengthMm: 50.0, bellowsMm: [35.0, 60.0]));
        $this->assertSame(60.0, $short->setting->lengthMm[0]);
    }

    /** @param  array<string, mixed>  $answers */
    #[DataProvider('sentences')]
    public function test_it_says_so(array $answers, string $said): void
    {
        $this->assertMatchesRegularExpression($said, FirstRig::sentence(RigReport::of(self::rig(new FirstAnswers(...['camera' => self::MIRROR, ...$answers])))));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function sentences(): iterable
    {
        yield 'bare' => [['focalLengthMm' => 50.0, 'closestMm' => 450.0], '/^0\.14× life size from a forearm’s length away, for (no light to speak of|⅓ stop)\. Infinity stays; the nearest is \d+\x{2009}mm in front of it\.$/u'];
        yield 'tubes' => [['focalLengthMm' => 50.0, 'closestMm' => 450.0, 'tubesMm' => [36.0]], '/^\S+ life size from (a hand’s width|three fingers’ breadth) away, for 1⅔ stops\. Infinity goes; it focuses from \S+ to \S+\x{2009}mm in front\.$/u'];
        yield 'fixed' => [['kind' => LensKind::Enlarging, 'tubesMm' => [50.0]], '/^Life size from .+ Infinity goes\.$/u'];
    }

    /** Every answer there can be makes a rig and a kit that the files' own check takes. */
    public function test_whatever_is_answered_can_be_read(): void
    {
        $made = 0;
        foreach ([self::SHORT, self::MIRROR] as $camera) {
            foreach (LensKind::cases() as $kind) {
                foreach (Mount::cases() as $mount) {
                    foreach ([null, 12.0, 85.0, 400.0] as $focal) {
                        foreach ([[], ['tubesMm' => [10.0, 20.0]], ['bellowsMm' => [35.0, 135.0], 'turned' => true], ['helicoidMm' => [12.0, 17.0], 'closeUpsD' => [4.0]], ['otherMm' => 28.0]] as $between) {
                            $answers = new FirstAnswers(...['camera' => $camera, 'kind' => $kind, 'mount' => $mount, 'focalLengthMm' => $focal, ...$between]);
                            $rig = self::rig($answers);
                            KitFile::read(json_decode((string) json_encode(self::kit($answers)), false));
                            $told = RigReport::of($rig);
                            $sentence = FirstRig::sentence($told);
                            $this->assertSame($told->focus() === FocusState::Sharp && (float) $told->reading->magnification > 0.0, $sentence !== '', (string) json_encode([$kind, $mount, $focal, $between, $told->focus()]));
                            $made++;
                        }
                    }
                }
            }
        }
        $this->assertSame(2 * 6 * 3 * 4 * 5, $made);
    }

    private static function rig(FirstAnswers $answers): Rig
    {
        $made = self::parts($answers);
        $bare = static fn (array $part): array => array_diff_key($part, ['id' => 0]);

        return FirstRig::asLargeAsItGoes(RigFile::read(json_decode((string) json_encode([
            'format' => 'zinc-thimble/rig', 'version' => 1, 'camera' => array_diff_key($made['parts'][0], ['id' => 0, 'kind' => 0]), 'chain' => array_map($bare, $made['chain']),
        ]), false)));
    }

    /** @return array<string, mixed> */
    private static function kit(FirstAnswers $answers): array
    {
        [$camera, $parts] = [self::parts($answers)['parts'][0], array_slice(self::parts($answers)['parts'], 1)];

        return ['format' => 'zinc-thimble/kit', 'version' => 1, 'cameras' => [array_diff_key($camera, ['kind' => 0])], 'parts' => $parts];
    }

    /** @return array{parts: list<array<string, mixed>>, chain: list<array<string, mixed>>} */
    private static function parts(FirstAnswers $answers): array
    {
        return FirstParts::of($answers);
    }

    /** @return list<string> */
    private static function kinds(Rig $rig): array
    {
        return array_map(static fn ($part): string => $part->kind->value, $rig->chain);
    }

    /**
     * @param  array<string, mixed>  $lens
     * @return array<string, mixed>
     */
    private static function aperture(array $lens): array
    {
        return is_array($lens['aperture']) ? $lens['aperture'] : [];
    }
}
