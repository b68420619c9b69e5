<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\Gear;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\Gear\Afocal;
use ZincThimble\Core\Gear\ApertureControl;
use ZincThimble\Core\Gear\Bellows;
use ZincThimble\Core\Gear\Camera;
use ZincThimble\Core\Gear\CloseUpLens;
use ZincThimble\Core\Gear\Design;
use ZincThimble\Core\Gear\Flash;
use ZincThimble\Core\Gear\Focusing;
use ZincThimble\Core\Gear\Helicoid;
use ZincThimble\Core\Gear\InvalidFigure;
use ZincThimble\Core\Gear\Item;
use ZincThimble\Core\Gear\Items;
use ZincThimble\Core\Gear\Kind;
use ZincThimble\Core\Gear\Lamp;
use ZincThimble\Core\Gear\Lens;
use ZincThimble\Core\Gear\LensFigures;
use ZincThimble\Core\Gear\LensShot;
use ZincThimble\Core\Gear\LensTrial;
use ZincThimble\Core\Gear\Objective;
use ZincThimble\Core\Gear\Parts;
use ZincThimble\Core\Gear\Port;
use ZincThimble\Core\Gear\Rail;
use ZincThimble\Core\Gear\Reference;
use ZincThimble\Core\Gear\Side;
use ZincThimble\Core\Gear\Spacer;
use ZincThimble\Core\Gear\Support;
use ZincThimble\Core\Gear\Teleconverter;
use ZincThimble\Core\Gear\TriedStop;
use ZincThimble\Core\Gear\Values;

/** Every field of every thing arrives under its own name, and what is left out is what the file format says. */
final class FiguresByNameTest extends TestCase
{
    /** Every figure of a lens, no two alike. */
    private const FIGURES = [
        'focalLengthMm' => 50.5,
        'registerMm' => 44.25,
        'frontRimMm' => 38.75,
        'minFocusMm' => 451.0,
        'maxMagnification' => 0.148,
        'principalGapMm' => -6.5,
        'pupilRatio' => 1.05,
        'closeFocalLengthMm' => 49.5,
        'closePrincipalGapMm' => -7.5,
        'closePupilRatio' => 1.15,
        'closeEffectiveAperture' => 2.25,
        'rimTravelMm' => 8.5,
        'rearProtrusionMm' => 3.5,
        'frontGlassMm' => 31.5,
        'imageCircleMm' => 43.5,
        'minFocusFrontMm' => 365.5,
        'minMagnification' => 0.02,
        'pastInfinityMm' => 1.25,
    ];

    public function test_what_every_part_has(): void
    {
        $part = Parts::make(Kind::Tube, new Values([
            'name' => 'Tube 31',
            'rear' => 'larch',
            'alsoRear' => ['thread:42x1'],
            'front' => 'tern',
            'alsoFront' => ['thread:48x0.75', 'wren'],
            'massG' => 98,
            'price' => 20,
            'passes' => ['lever'],
            'outerMm' => 61,
            'frontOuterMm' => 62,
            'rearOuterMm' => 63,
            'balanceMm' => 14,
            'footMm' => 15,
            'lengthMm' => 31,
        ]))->identity;
        $this->assertSame('Tube 31', $part->name);
        $this->assertSame(['larch', 'thread:42x1'], array_column($part->rear->joints, 'name'));
        $this->assertSame(['tern', 'thread:48x0.75', 'wren'], array_column($part->front->joints, 'name'));
        $this->assertSame(98.0, $part->massG);
        $this->assertSame(20.0, $part->price);
        $this->assertFalse($part->passes->contacts);
        $this->assertTrue($part->passes->lever);
        $this->assertSame(61.0, $part->outerMm);
        $this->assertSame(62.0, $part->frontOuterMm);
        $this->assertSame(63.0, $part->rearOuterMm);
        $this->assertSame(14.0, $part->balanceMm);
        $this->assertSame(15.0, $part->footMm);
    }

    public function test_turned_round_the_ends_change_places_and_what_lies_along_it_is_counted_from_the_other(): void
    {
        $lens = Lens::from(new Values(self::FIGURES + ['rear' => 'larch', 'front' => 'thread:52x0.75', 'frontOuterMm' => 60, 'rearOuterMm' => 64, 'outerMm' => 66, 'balanceMm' => 20, 'footMm' => 12, 'massG' => 195]))->turned();
        $this->assertTrue($lens->reversed);
        $this->assertSame('thread:52x0.75', $lens->identity->rear->main()?->name);
        $this->assertSame('larch', $lens->identity->front->main()?->name);
        $this->assertSame(64.0, $lens->identity->frontOuterMm);
        $this->assertSame(60.0, $lens->identity->rearOuterMm);
        $this->assertSame(66.0, $lens->identity->outerMm);
        $this->assertSame(18.75, $lens->identity->balanceMm);
        $this->assertSame(26.75, $lens->identity->footMm);
        $this->assertSame(195.0, $lens->identity->massG);
        $this->assertSame(38.75 + 3.5, $lens->shortestMm(), 'bare, what stands out behind the mount is in front');
        $back = $lens->turned();
        $this->assertFalse($back->reversed);
        $this->assertSame('larch', $back->identity->rear->main()?->name);
        $this->assertSame(20.0, $back->identity->balanceMm);
        $this->assertSame(38.75, $back->shortestMm());
    }

    /** @return iterable<string, array{Kind}> */
    public static function fixed(): iterable
    {
        foreach ([Kind::Adapter, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing, Kind::Filter, Kind::Hood] as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('fixed')]
    public function test_a_spacer(Kind $kind): void
    {
        $spacer = self::made($kind, Spacer::class, ['lengthMm' => 12.5, 'clearMm' => 41.5, 'shoulder' => false]);
        $this->assertSame($kind, $spacer->kind);
        $this->assertSame(12.5, $spacer->lengthMm);
        $this->assertSame(41.5, $spacer->clearMm);
        $this->assertFalse($spacer->shoulder);
        $this->assertSame(12.5, $spacer->shortestMm());
        $bare = self::made($kind, Spacer::class, []);
        $this->assertSame(0.0, $bare->lengthMm);
        $this->assertNull($bare->clearMm);
        $this->assertNull($bare->shoulder);
    }

    public function test_a_helicoid(): void
    {
        $helicoid = self::made(Kind::Helicoid, Helicoid::class, ['minMm' => 14, 'maxMm' => 29, 'clearMm' => 42, 'pitchMm' => 3]);
        $this->assertSame(14.0, $helicoid->minMm);
        $this->assertSame(29.0, $helicoid->maxMm);
        $this->assertSame(42.0, $helicoid->clearMm);
        $this->assertSame(3.0, $helicoid->pitchMm);
        $this->assertSame(14.0, $helicoid->shortestMm());
        $this->assertSame(14.0, self::made(Kind::Helicoid, Helicoid::class, ['minMm' => 14, 'maxMm' => 14])->maxMm, 'one that is stuck');
        $this->refused('maxMm', Kind::Helicoid, ['minMm' => 14, 'maxMm' => 13.999]);
    }

    public function test_bellows(): void
    {
        $bellows = self::made(Kind::Bellows, Bellows::class, [
            'minMm' => 36,
            'maxMm' => 162,
            'clearMm' => 47,
            'scaleZeroMm' => 30,
            'rearClearanceMm' => 11,
            'latch' => true,
            'maxSwingDeg' => 15,
            'maxShiftMm' => 10,
        ]);
        $this->assertSame(36.0, $bellows->minMm);
        $this->assertSame(162.0, $bellows->maxMm);
        $this->assertSame(47.0, $bellows->clearMm);
        $this->assertSame(30.0, $bellows->scaleZeroMm);
        $this->assertSame(11.0, $bellows->rearClearanceMm);
        $this->assertTrue($bellows->latch);
        $this->assertSame(15.0, $bellows->maxSwingDeg);
        $this->assertSame(10.0, $bellows->maxShiftMm);
        $bare = self::made(Kind::Bellows, Bellows::class, ['minMm' => 36, 'maxMm' => 162]);
        $this->assertSame([0.0, 0.0, false, 0.0, 0.0], [$bare->scaleZeroMm, $bare->rearClearanceMm, $bare->latch, $bare->maxSwingDeg, $bare->maxShiftMm]);
        $this->refused('maxMm', Kind::Bellows, ['minMm' => 162, 'maxMm' => 36]);
    }

    public function test_a_lens(): void
    {
        $lens = self::made(Kind::Lens, Lens::class, self::FIGURES + [
            'aperture' => ['widest' => 1.8, 'smallest' => 16, 'control' => 'lever', 'shows' => 'effective', 'rest' => 'closed'],
            'focusing' => 'internal',
            'design' => 'telephoto',
            'flatField' => true,
            'marks' => [['focus' => 0.25, 'distanceMm' => 1000, 'magnification' => 0.05], ['focus' => 1]],
            'pupils' => ['entranceMm' => 24.5, 'exitMm' => 31.25],
            'measured' => ['focalLengthMm' => -0.2, 'registerMm' => 0.1],
        ]);
        foreach (self::FIGURES as $name => $value) {
            $this->assertSame($value, $lens->figures->{$name}, $name);
        }
        $this->assertSame(1.8, $lens->figures->widest);
        $this->assertSame(16.0, $lens->figures->smallest);
        $this->assertSame(1.8, $lens->aperture->widest);
        $this->assertSame(16.0, $lens->aperture->smallest);
        $this->assertSame(ApertureControl::Lever, $lens->aperture->control);
        $this->assertTrue($lens->aperture->showsEffective);
        $this->assertSame('closed', $lens->aperture->rest);
        $this->assertSame(Focusing::Internal, $lens->focusing);
        $this->assertSame(Design::Telephoto, $lens->design);
        $this->assertTrue($lens->flatField);
        $this->assertFalse($lens->reversed);
        $this->assertFalse($lens->isZoom());
        $this->assertSame([0.25, 1000.0, 0.05], [$lens->marks[0]->focus, $lens->marks[0]->distanceMm, $lens->marks[0]->magnification]);
        $this->assertSame([1.0, null, null], [$lens->marks[1]->focus, $lens->marks[1]->distanceMm, $lens->marks[1]->magnification]);
        $this->assertSame(['focalLengthMm' => 0.2, 'registerMm' => 0.1], $lens->figures->measured, 'a half-width has no sign');
        $this->assertSame([24.5, 31.25], [$lens->figures->entranceMm, $lens->figures->exitMm]);
        $this->assertFalse($lens->threaded);
        $this->assertTrue(self::made(Kind::Lens, Lens::class, self::FIGURES + ['rear' => 'thread:42x1'])->threaded);
    }

    public function test_a_lens_of_which_little_is_known(): void
    {
        $lens = self::made(Kind::Lens, Lens::class, ['focalLengthMm' => 62, 'registerMm' => 44.5, 'frontRimMm' => 33]);
        foreach (array_diff(array_keys(self::FIGURES), ['focalLengthMm', 'registerMm', 'frontRimMm', 'rimTravelMm', 'rearProtrusionMm', 'minMagnification', 'pastInfinityMm']) as $name) {
            $this->assertNull($lens->figures->{$name}, $name);
        }
        $this->assertSame(0.0, $lens->figures->rimTravelMm);
        $this->assertSame(0.0, $lens->figures->rearProtrusionMm);
        $this->assertSame([0.0, 0.0], [$lens->figures->minMagnification, $lens->figures->pastInfinityMm]);
        $this->assertSame(Design::Unknown, $lens->design);
        $this->assertSame(Focusing::Unknown, $lens->focusing);
        $this->assertSame(ApertureControl::Ring, $lens->aperture->control);
        $this->assertFalse($lens->aperture->showsEffective);
        $this->assertNull($lens->aperture->rest);
        $this->assertNull($lens->flatField);
        $this->assertSame([null, null, [], []], [$lens->figures->entranceMm, $lens->figures->exitMm, $lens->figures->measured, $lens->figures->shots]);
        $this->refused('aperture.smallest', Kind::Lens, self::FIGURES + ['aperture' => ['widest' => 4, 'smallest' => 3.9]]);
        $this->refused('frontRimMm', Kind::Lens, ['focalLengthMm' => 62, 'registerMm' => 44.5]);
    }

    public function test_a_zoom_has_the_figures_of_its_stations_and_between_two_of_them_a_share_of_each(): void
    {
        $far = array_map(static fn (float $value): float => $value * 1.5, self::FIGURES);
        // Given in no order; a station has of itself what differs, and of the lens what doesn't.
        $zoom = self::made(Kind::Lens, Lens::class, self::FIGURES + ['aperture' => ['widest' => 3.5, 'smallest' => 22], 'stations' => [$far + ['aperture' => ['widest' => 5.6]], ['focalLengthMm' => 50.5]]]);
        $this->assertTrue($zoom->isZoom());
        $this->assertSame([50.5, 75.75], array_map(static fn (LensFigures $station): float => $station->focalLengthMm, $zoom->stations));
        $quarter = $zoom->figuresAt(50.5 + 0.25 * 25.25);
        foreach (self::FIGURES as $name => $value) {
            $this->assertSame($value, $zoom->figuresAt(null)->{$name}, $name.' at its own focal length');
            $this->assertEqualsWithDelta($value * 1.125, $quarter->{$name}, 1e-12 * abs($value), $name.' a quarter of the way');
            $this->assertSame($value, $zoom->figuresAt(10.0)->{$name}, $name.' below the shortest');
            $this->assertSame($value * 1.5, $zoom->figuresAt(500.0)->{$name}, $name.' above the longest');
        }
        $this->assertEqualsWithDelta(3.5 + 0.25 * 2.1, $quarter->widest, 1e-12);
        $this->assertSame(22.0, $quarter->smallest);
        $this->assertSame(5.6, $zoom->figuresAt(75.75)->widest);
    }

    public function test_what_one_station_does_not_know_nothing_between_knows(): void
    {
        $zoom = self::made(Kind::Lens, Lens::class, ['focalLengthMm' => 24, 'registerMm' => 44.5, 'frontRimMm' => 80, 'stations' => [['focalLengthMm' => 24, 'minFocusMm' => 300], ['focalLengthMm' => 70]]]);
        $this->assertSame(300.0, $zoom->figuresAt(24.0)->minFocusMm);
        $this->assertNull($zoom->figuresAt(24.001)->minFocusMm);
        $this->assertSame(47.0, $zoom->figuresAt(47.0)->focalLengthMm);
    }

    public function test_a_shot_has_every_measure_by_its_name(): void
    {
        $lens = self::made(Kind::Lens, Lens::class, self::FIGURES + ['shots' => [
            [
                'cameraRegisterMm' => 18.5, 'spacersMm' => 61, 'reversed' => true, 'focus' => 0.25, 'magnification' => 0.5, 'magnificationHalfWidth' => 0.01,
                'workingDistanceMm' => 71, 'workingDistanceMmHalfWidth' => 0.5, 'subjectDistanceMm' => 211, 'subjectDistanceMmHalfWidth' => 3, 'at' => '2026-11-02', 'note' => 'on the bellows',
            ],
            ['cameraRegisterMm' => 44.5, 'spacersMm' => 0],
        ]]);
        [$shot, $bare] = $lens->figures->shots;
        $this->assertEquals(new LensShot(18.5, 61.0, true, 0.25, 0.5, 0.01, 71.0, 0.5, 211.0, 3.0, '2026-11-02', 'on the bellows'), $shot);
        $this->assertSame(79.5, $shot->z0());
        $this->assertEquals(new LensShot(cameraRegisterMm: 44.5, spacersMm: 0.0), $bare);
        $this->assertSame([], $lens->figures->withShots([])->shots);
        $this->assertCount(2, $lens->figures->shots, 'and the figures are as they were');
        $this->refused('spacersMm', Kind::Lens, self::FIGURES + ['shots' => [['cameraRegisterMm' => 44.5]]]);
    }

    public function test_a_trial_has_every_figure_by_its_name(): void
    {
        $lens = self::made(Kind::Lens, Lens::class, self::FIGURES + ['trials' => [
            ['magnification' => 1.5, 'pitchMm' => 0.0039, 'reversed' => true, 'wavelengthNm' => 530, 'zoomMm' => 47, 'at' => '2026-11-02', 'note' => 'on the bellows', 'stops' => [
                ['aperture' => 8, 'effectiveAperture' => 20, 'mtf50' => 0.16, 'halfWidth' => 0.01], ['aperture' => 4, 'effectiveAperture' => 10, 'mtf50' => 0.2],
            ]],
            ['magnification' => 1, 'pitchMm' => 0.004, 'stops' => [['aperture' => 5.6, 'effectiveAperture' => 11, 'mtf50' => 0.2]]],
        ]]);
        [$trial, $bare] = $lens->trials;
        $this->assertEquals(new LensTrial(1.5, 0.0039, [new TriedStop(4.0, 10.0, 0.2), new TriedStop(8.0, 20.0, 0.16, 0.01)], true, 530.0, 47.0, '2026-11-02', 'on the bellows'), $trial);
        $this->assertEquals(new LensTrial(magnification: 1.0, pitchMm: 0.004, stops: [new TriedStop(5.6, 11.0, 0.2)]), $bare);
        $this->refused('mtf50', Kind::Lens, self::FIGURES + ['trials' => [['magnification' => 1, 'pitchMm' => 0.004, 'stops' => [['aperture' => 5.6, 'effectiveAperture' => 11]]]]]);
    }

    public function test_a_shot_is_of_one_station_alone(): void
    {
        $shot = ['cameraRegisterMm' => 44.5, 'spacersMm' => 20, 'magnification' => 0.4];
        $zoom = self::made(Kind::Lens, Lens::class, ['focalLengthMm' => 24, 'registerMm' => 44.5, 'frontRimMm' => 80, 'shots' => [$shot], 'measured' => ['frontRimMm' => 0.5], 'stations' => [
            ['focalLengthMm' => 24, 'shots' => [$shot, $shot], 'measured' => ['focalLengthMm' => 0.2]], ['focalLengthMm' => 70, 'measured' => ['focalLengthMm' => 0.6]],
        ]]);
        $this->assertSame([2, 0, 0], [count($zoom->figuresAt(24.0)->shots), count($zoom->figuresAt(70.0)->shots), count($zoom->figuresAt(47.0)->shots)]);
        $this->assertEqualsWithDelta(['frontRimMm' => 0.5, 'focalLengthMm' => 0.4], $zoom->figuresAt(47.0)->measured, 1e-12);
    }

    public function test_a_close_up_lens(): void
    {
        $lens = self::made(Kind::CloseUpLens, CloseUpLens::class, [
            'powerD' => 4,
            'elements' => 2,
            'thicknessMm' => 9,
            'planeFromFrontMm' => 2.5,
            'clearMm' => 48,
            'sealed' => true,
            'index' => 1.62,
            'clipMinMm' => 50,
            'clipMaxMm' => 78,
            'measured' => ['powerD' => 0.03],
        ]);
        $this->assertSame(4.0, $lens->powerD);
        $this->assertSame(2, $lens->elements);
        $this->assertSame(9.0, $lens->thicknessMm);
        $this->assertSame(2.5, $lens->planeFromFrontMm);
        $this->assertTrue($lens->planeGiven);
        $this->assertSame(48.0, $lens->clearMm);
        $this->assertTrue($lens->sealed);
        $this->assertSame(1.62, $lens->index);
        $this->assertSame(50.0, $lens->clipMinMm);
        $this->assertSame(78.0, $lens->clipMaxMm);
        $this->assertSame(0.03, $lens->powerHalfWidthD);
        $this->assertSame(9.0, $lens->shortestMm());
        $this->assertSame(4.0, $lens->powerInWaterD(1.333), 'air is sealed in');
        $moved = $lens->perturbed(0.5, -0.25);
        $this->assertSame([4.5, 2.25], [$moved->powerD, $moved->planeFromFrontMm]);
        $this->assertSame(
            [2, 9.0, true, 48.0, true, 1.62, 50.0, 78.0, 0.03],
            [$moved->elements, $moved->thicknessMm, $moved->planeGiven, $moved->clearMm, $moved->sealed, $moved->index, $moved->clipMinMm, $moved->clipMaxMm, $moved->powerHalfWidthD],
        );
    }

    public function test_a_close_up_lens_of_which_little_is_known(): void
    {
        $single = self::made(Kind::CloseUpLens, CloseUpLens::class, ['powerD' => -2, 'thicknessMm' => 6]);
        $this->assertSame(1, $single->elements);
        $this->assertSame(3.0, $single->planeFromFrontMm, 'the middle of a single glass');
        $this->assertFalse($single->planeGiven);
        $this->assertEqualsWithDelta(0.1, $single->powerHalfWidthD, 1e-15, '5 %, without a sign');
        $this->assertEqualsWithDelta(-2.0 * (1.5168 - 1.333) / 0.5168, $single->powerInWaterD(1.333), 1e-12);
        $pair = self::made(Kind::CloseUpLens, CloseUpLens::class, ['powerD' => 4, 'thicknessMm' => 6, 'elements' => 2]);
        $this->assertSame(0.0, $pair->planeFromFrontMm, 'the front of a pair');
        $this->refused('powerD', Kind::CloseUpLens, ['powerD' => 0]);
    }

    public function test_an_objective_for_a_tube(): void
    {
        $objective = self::made(Kind::Objective, Objective::class, ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 17, 'tubeMm' => 160, 'parfocalMm' => 44, 'referenceMm' => 180]);
        $this->assertSame([4.0, 0.1, 17.0], [$objective->nominal, $objective->na, $objective->workingDistanceMm]);
        $this->assertSame([160.0, 44.0, 180.0], [$objective->tubeMm, $objective->parfocalMm, $objective->referenceMm]);
        $this->assertFalse($objective->infinite);
        // Image at 160 mm and subject at 44 mm from the shoulder are conjugate at 4 times.
        $plane = $objective->planeMm();
        $this->assertEqualsWithDelta(4.0, (160.0 + $plane) / (44.0 - $plane), 1e-12);
        $this->assertEqualsWithDelta(1.0 / $objective->focalLengthMm(), 1.0 / (160.0 + $plane) + 1.0 / (44.0 - $plane), 1e-15);
        $this->assertSame(27.0, $objective->shortestMm());
        $this->assertSame([150.0, 45.0, 200.0], array_values(array_intersect_key(get_object_vars(self::made(Kind::Objective, Objective::class, ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 17])), ['tubeMm' => 0, 'parfocalMm' => 0, 'referenceMm' => 0])));
    }

    public function test_an_objective_for_infinity(): void
    {
        $objective = self::made(Kind::Objective, Objective::class, ['nominal' => 10, 'na' => 0.25, 'workingDistanceMm' => 10.5, 'corrected' => 'infinite', 'referenceMm' => 200]);
        $this->assertTrue($objective->infinite);
        $this->assertSame(20.0, $objective->focalLengthMm());
        $this->assertSame(25.0, $objective->planeMm(), 'a focal length behind the subject');
        $this->refused('workingDistanceMm', Kind::Objective, ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 45.001]);
        $this->assertSame(0.0, self::made(Kind::Objective, Objective::class, ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 45])->shortestMm());
    }

    public function test_converters_and_a_port(): void
    {
        $tele = self::made(Kind::Teleconverter, Teleconverter::class, ['factor' => 1.4, 'lengthMm' => 18]);
        $this->assertSame([1.4, 18.0, 18.0], [$tele->factor, $tele->lengthMm, $tele->shortestMm()]);
        $this->assertSame(0.0, self::made(Kind::Teleconverter, Teleconverter::class, ['factor' => 2])->lengthMm);
        $afocal = self::made(Kind::Afocal, Afocal::class, ['factor' => 0.7, 'thicknessMm' => 32, 'clearMm' => 55]);
        $this->assertSame([0.7, 32.0, 55.0, 32.0], [$afocal->factor, $afocal->thicknessMm, $afocal->clearMm, $afocal->shortestMm()]);
        $port = self::made(Kind::Port, Port::class, ['gapMm' => 12, 'glassMm' => 6, 'index' => 1.49, 'medium' => 1.34]);
        $this->assertSame([12.0, 6.0, 1.49, 1.34, 18.0], [$port->gapMm, $port->glassMm, $port->index, $port->medium, $port->shortestMm()]);
        $this->assertSame(1.333, self::made(Kind::Port, Port::class, ['gapMm' => 12, 'glassMm' => 6, 'index' => 1.49])->medium);
    }

    public function test_things_that_stand_in_no_chain(): void
    {
        $rail = self::made(Kind::Rail, Rail::class, ['travelMm' => 100, 'pitchMm' => 1.25, 'loadG' => 3000]);
        $this->assertSame([100.0, 1.25, 3000.0], [$rail->travelMm, $rail->pitchMm, $rail->loadG]);
        foreach ([Kind::Tripod, Kind::Stand] as $kind) {
            $support = self::made($kind, Support::class, ['loadG' => 8000, 'name' => 'Legs', 'massG' => 2100]);
            $this->assertSame([$kind, 8000.0, 'Legs', 2100.0], [$support->kind, $support->loadG, $support->identity->name, $support->identity->massG]);
            $this->assertNull(self::made($kind, Support::class, [])->loadG);
        }
        $flash = self::made(Kind::Flash, Flash::class, ['guideNumber' => 20, 'recycleS' => 4]);
        $this->assertSame([20.0, 4.0], [$flash->guideNumber, $flash->recycleS]);
        $lamp = self::made(Kind::Lamp, Lamp::class, ['watts' => 11, 'lumensPerWatt' => 90]);
        $this->assertSame([11.0, 90.0], [$lamp->watts, $lamp->lumensPerWatt]);
        $reference = self::made(Kind::Reference, Reference::class, ['widthMm' => 30, 'depthMm' => 10]);
        $this->assertSame([30.0, 10.0], [$reference->widthMm, $reference->depthMm]);
        foreach ([Kind::Rail, Kind::Tripod, Kind::Stand, Kind::Flash, Kind::Lamp, Kind::Reference, Kind::Camera] as $kind) {
            $this->assertFalse($kind->inChain());
            try {
                Parts::make($kind, new Values(['travelMm' => 100, 'pitchMm' => 1, 'guideNumber' => 20]));
                $this->fail($kind->value.' in a chain');
            } catch (InvalidFigure $invalid) {
                $this->assertSame('kind', $invalid->field);
            }
        }
    }

    public function test_a_camera(): void
    {
        $camera = Camera::from(new Values([
            'name' => 'Body A',
            'joint' => 'tern',
            'alsoFront' => ['larch'],
            'registerMm' => 18.4,
            'sensor' => ['widthMm' => 23.6, 'heightMm' => 15.7, 'columns' => 6016, 'rows' => 4000],
            'modes' => [['name' => 'video', 'widthMm' => 22, 'heightMm' => 12, 'columns' => 3840, 'rows' => 2160, 'framesPerSecond' => 25]],
            'passes' => ['contacts'],
            'gripOverhangMm' => 21,
            'massG' => 480,
            'mountMomentNm' => 1.5,
            'throatMm' => 46,
            'balanceMm' => -12,
            'price' => 620,
            'widthMm' => 130,
            'heightMm' => 90,
            'depthMm' => 60,
            'coupling' => ['fires'],
            'finderCoverage' => 0.95,
        ]));
        $this->assertSame('Body A', $camera->name);
        $this->assertSame(Side::Female, $camera->front->side);
        $this->assertSame(['tern', 'larch'], array_column($camera->front->joints, 'name'));
        $this->assertSame([23.6, 15.7, 6016, 4000, null, null], array_values(get_object_vars($camera->sensor)));
        $this->assertSame([22.0, 12.0, 3840, 2160, 'video', 25.0], array_values(get_object_vars($camera->modes[0])));
        $this->assertSame($camera->modes[0], $camera->frame('video'));
        $this->assertSame($camera->sensor, $camera->frame('still'));
        $this->assertSame($camera->sensor, $camera->frame(null));
        $this->assertTrue($camera->passes->contacts);
        $this->assertFalse($camera->passes->lever);
        foreach (['registerMm' => 18.4, 'gripOverhangMm' => 21.0, 'massG' => 480.0, 'mountMomentNm' => 1.5, 'throatMm' => 46.0, 'balanceMm' => -12.0, 'price' => 620.0, 'widthMm' => 130.0, 'heightMm' => 90.0, 'depthMm' => 60.0, 'finderCoverage' => 0.95] as $name => $value) {
            $this->assertSame($value, $camera->{$name}, $name);
        }
        $this->assertSame(['fires'], $camera->uncoupled);
        $this->assertFalse($camera->isBuiltIn());
        $this->assertEqualsWithDelta(hypot(23.6, 15.7), $camera->sensor->diagonalMm(), 1e-12);
        $this->assertEqualsWithDelta(23.6 / 6016, $camera->sensor->pitchMm(), 1e-15);
    }

    public function test_a_camera_with_a_lens_built_in(): void
    {
        $camera = Camera::from(new Values(['joint' => 'fixed', 'registerMm' => 0, 'sensor' => ['widthMm' => 7.6, 'heightMm' => 5.7]]));
        $this->assertTrue($camera->isBuiltIn());
        $this->assertNull($camera->uncoupled, 'what is not said is not known');
        $this->assertNull($camera->sensor->pitchMm());
        $this->assertSame([], $camera->modes);
    }

    /**
     * @template T of Item
     *
     * @param  class-string<T>  $class
     * @param  array<string, mixed>  $fields
     * @return T
     */
    private static function made(Kind $kind, string $class, array $fields): Item
    {
        $item = Items::make($kind, new Values($fields));
        self::assertInstanceOf($class, $item);

        return $item;
    }

    /** @param  array<string, mixed>  $fields */
    private function refused(string $field, Kind $kind, array $fields): void
    {
        try {
            Items::make($kind, new Values($fields));
        } catch (InvalidFigure $invalid) {
            $this->assertSame($field, $invalid->field);

            return;
        }
        $this->fail($kind->value.' was made');
    }
}
