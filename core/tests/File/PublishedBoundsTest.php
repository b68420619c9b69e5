<?php

declare(strict_types=1);

namespace ZincThimble\Core\Tests\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZincThimble\Core\File\Field;
use ZincThimble\Core\File\FieldType;
use ZincThimble\Core\File\FileInvalid;
use ZincThimble\Core\File\KitFile;
use ZincThimble\Core\File\RigFile;
use ZincThimble\Core\File\Shapes;
use ZincThimble\Core\Gear\Kind;

/**
 * What the files take, told a second time in plain figures: EveryFieldTest asks the table for its own bounds, and would follow one that
 * was moved.
 */
final class PublishedBoundsTest extends TestCase
{
    private const SENSOR = ['widthMm' => 36, 'heightMm' => 24];

    /** What a thing needs besides the field that is looked at. */
    private const NEEDED = [
        'camera' => ['registerMm' => 44.5, 'sensor' => self::SENSOR],
        'adapter' => ['lengthMm' => 5],
        'tube' => ['lengthMm' => 20],
        'reversing-ring' => ['lengthMm' => 4],
        'coupling-ring' => ['lengthMm' => 5],
        'step-ring' => ['lengthMm' => 3],
        'helicoid' => ['minMm' => 14, 'maxMm' => 29],
        'bellows' => ['minMm' => 36, 'maxMm' => 162],
        'lens' => ['focalLengthMm' => 50, 'registerMm' => 44.5, 'frontRimMm' => 38],
        'close-up-lens' => ['powerD' => 4],
        'objective' => ['nominal' => 4, 'na' => 0.1, 'workingDistanceMm' => 10],
        'teleconverter' => ['factor' => 1.4],
        'afocal' => ['factor' => 1.5],
        'port' => ['gapMm' => 10, 'glassMm' => 6, 'index' => 1.5],
        'rail' => ['travelMm' => 100, 'pitchMm' => 1],
        'flash' => ['guideNumber' => 20],
    ];

    /** @return iterable<string, array{string, string, float, float}> what, field, the least and the greatest it takes */
    public static function numbers(): iterable
    {
        yield 'camera registerMm' => ['camera', 'registerMm', 0.0, 3_000.0];
        yield 'camera sensor/widthMm' => ['camera', 'sensor/widthMm', 0.001, 3_000.0];
        yield 'camera sensor/heightMm' => ['camera', 'sensor/heightMm', 0.001, 3_000.0];
        yield 'camera sensor/columns' => ['camera', 'sensor/columns', 1.0, 1_000_000.0];
        yield 'camera sensor/rows' => ['camera', 'sensor/rows', 1.0, 1_000_000.0];
        yield 'camera modes/widthMm' => ['camera', 'modes/widthMm', 0.001, 3_000.0];
        yield 'camera modes/heightMm' => ['camera', 'modes/heightMm', 0.001, 3_000.0];
        yield 'camera modes/columns' => ['camera', 'modes/columns', 1.0, 1_000_000.0];
        yield 'camera modes/rows' => ['camera', 'modes/rows', 1.0, 1_000_000.0];
        yield 'camera modes/framesPerSecond' => ['camera', 'modes/framesPerSecond', 0.001, 100_000.0];
        yield 'camera gripOverhangMm' => ['camera', 'gripOverhangMm', 0.0, 3_000.0];
        yield 'camera massG' => ['camera', 'massG', 0.0, 1_000_000.0];
        yield 'camera mountMomentNm' => ['camera', 'mountMomentNm', 0.0001, 1_000.0];
        yield 'camera throatMm' => ['camera', 'throatMm', 0.001, 3_000.0];
        yield 'camera balanceMm' => ['camera', 'balanceMm', -3_000.0, 3_000.0];
        yield 'camera price' => ['camera', 'price', 0.0, 1_000_000_000.0];
        yield 'camera widthMm' => ['camera', 'widthMm', 0.001, 3_000.0];
        yield 'camera heightMm' => ['camera', 'heightMm', 0.001, 3_000.0];
        yield 'camera depthMm' => ['camera', 'depthMm', 0.001, 3_000.0];
        yield 'camera finderCoverage' => ['camera', 'finderCoverage', 0.0, 1.0];
        yield 'adapter massG' => ['adapter', 'massG', 0.0, 1_000_000.0];
        yield 'adapter price' => ['adapter', 'price', 0.0, 1_000_000_000.0];
        yield 'adapter outerMm' => ['adapter', 'outerMm', 0.001, 3_000.0];
        yield 'adapter frontOuterMm' => ['adapter', 'frontOuterMm', 0.001, 3_000.0];
        yield 'adapter rearOuterMm' => ['adapter', 'rearOuterMm', 0.001, 3_000.0];
        yield 'adapter balanceMm' => ['adapter', 'balanceMm', -3_000.0, 3_000.0];
        yield 'adapter footMm' => ['adapter', 'footMm', -3_000.0, 3_000.0];
        yield 'adapter lengthMm' => ['adapter', 'lengthMm', 0.0, 3_000.0];
        yield 'adapter clearMm' => ['adapter', 'clearMm', 0.001, 3_000.0];
        yield 'tube lengthMm' => ['tube', 'lengthMm', 0.0, 3_000.0];
        yield 'tube clearMm' => ['tube', 'clearMm', 0.001, 3_000.0];
        yield 'reversing-ring lengthMm' => ['reversing-ring', 'lengthMm', 0.0, 3_000.0];
        yield 'reversing-ring clearMm' => ['reversing-ring', 'clearMm', 0.001, 3_000.0];
        yield 'coupling-ring lengthMm' => ['coupling-ring', 'lengthMm', 0.0, 3_000.0];
        yield 'coupling-ring clearMm' => ['coupling-ring', 'clearMm', 0.001, 3_000.0];
        yield 'step-ring lengthMm' => ['step-ring', 'lengthMm', 0.0, 3_000.0];
        yield 'step-ring clearMm' => ['step-ring', 'clearMm', 0.001, 3_000.0];
        yield 'filter lengthMm' => ['filter', 'lengthMm', 0.0, 3_000.0];
        yield 'filter clearMm' => ['filter', 'clearMm', 0.001, 3_000.0];
        yield 'hood lengthMm' => ['hood', 'lengthMm', 0.0, 3_000.0];
        yield 'hood clearMm' => ['hood', 'clearMm', 0.001, 3_000.0];
        yield 'helicoid minMm' => ['helicoid', 'minMm', 0.0, 3_000.0];
        yield 'helicoid maxMm' => ['helicoid', 'maxMm', 0.0, 3_000.0];
        yield 'helicoid setMm' => ['helicoid', 'setMm', 0.0, 3_000.0];
        yield 'helicoid clearMm' => ['helicoid', 'clearMm', 0.001, 3_000.0];
        yield 'helicoid pitchMm' => ['helicoid', 'pitchMm', 0.001, 3_000.0];
        yield 'bellows minMm' => ['bellows', 'minMm', 0.0, 3_000.0];
        yield 'bellows maxMm' => ['bellows', 'maxMm', 0.0, 3_000.0];
        yield 'bellows setMm' => ['bellows', 'setMm', 0.0, 3_000.0];
        yield 'bellows clearMm' => ['bellows', 'clearMm', 0.001, 3_000.0];
        yield 'bellows scaleZeroMm' => ['bellows', 'scaleZeroMm', -3_000.0, 3_000.0];
        yield 'bellows rearClearanceMm' => ['bellows', 'rearClearanceMm', 0.0, 3_000.0];
        yield 'bellows maxSwingDeg' => ['bellows', 'maxSwingDeg', 0.0, 80.0];
        yield 'bellows maxShiftMm' => ['bellows', 'maxShiftMm', 0.0, 3_000.0];
        yield 'bellows swingDeg' => ['bellows', 'swingDeg', -80.0, 80.0];
        yield 'bellows shiftMm' => ['bellows', 'shiftMm', -3_000.0, 3_000.0];
        yield 'lens focalLengthMm' => ['lens', 'focalLengthMm', 1.0, 2_000.0];
        yield 'lens registerMm' => ['lens', 'registerMm', 0.0, 3_000.0];
        yield 'lens frontRimMm' => ['lens', 'frontRimMm', 0.0, 3_000.0];
        yield 'lens minFocusMm' => ['lens', 'minFocusMm', 0.001, 1_000_000.0];
        yield 'lens minFocusFrontMm' => ['lens', 'minFocusFrontMm', 0.0, 3_000.0];
        yield 'lens minMagnification' => ['lens', 'minMagnification', 0.0, 100.0];
        yield 'lens pastInfinityMm' => ['lens', 'pastInfinityMm', 0.0, 3_000.0];
        yield 'lens pupils/entranceMm' => ['lens', 'pupils/entranceMm', 0.001, 3_000.0];
        yield 'lens pupils/exitMm' => ['lens', 'pupils/exitMm', 0.001, 3_000.0];
        yield 'lens shots/cameraRegisterMm' => ['lens', 'shots/cameraRegisterMm', 0.0, 3_000.0];
        yield 'lens shots/spacersMm' => ['lens', 'shots/spacersMm', 0.0, 3_000.0];
        yield 'lens shots/focus' => ['lens', 'shots/focus', 0.0, 1.0];
        yield 'lens shots/magnification' => ['lens', 'shots/magnification', 0.0, 100.0];
        yield 'lens shots/magnificationHalfWidth' => ['lens', 'shots/magnificationHalfWidth', 0.000_001, 100.0];
        yield 'lens shots/workingDistanceMm' => ['lens', 'shots/workingDistanceMm', 0.0, 3_000.0];
        yield 'lens shots/workingDistanceMmHalfWidth' => ['lens', 'shots/workingDistanceMmHalfWidth', 0.001, 3_000.0];
        yield 'lens shots/subjectDistanceMm' => ['lens', 'shots/subjectDistanceMm', 0.001, 1_000_000.0];
        yield 'lens trials/magnification' => ['lens', 'trials/magnification', 0.001, 100.0];
        yield 'lens trials/pitchMm' => ['lens', 'trials/pitchMm', 0.0001, 1.0];
        yield 'lens trials/stops/aperture' => ['lens', 'trials/stops/aperture', 0.5, 256.0];
        yield 'lens trials/stops/effectiveAperture' => ['lens', 'trials/stops/effectiveAperture', 0.1, 100_000.0];
        yield 'lens trials/stops/mtf50' => ['lens', 'trials/stops/mtf50', 0.0001, 1.0];
        yield 'lens trials/stops/halfWidth' => ['lens', 'trials/stops/halfWidth', 0.0, 1.0];
        yield 'lens trials/zoomMm' => ['lens', 'trials/zoomMm', 1.0, 2_000.0];
        yield 'lens trials/wavelengthNm' => ['lens', 'trials/wavelengthNm', 100.0, 20_000.0];
        yield 'lens shots/subjectDistanceMmHalfWidth' => ['lens', 'shots/subjectDistanceMmHalfWidth', 0.001, 3_000.0];
        yield 'lens maxMagnification' => ['lens', 'maxMagnification', 0.0, 100.0];
        yield 'lens principalGapMm' => ['lens', 'principalGapMm', -2_000.0, 2_000.0];
        yield 'lens pupilRatio' => ['lens', 'pupilRatio', 0.01, 100.0];
        yield 'lens closeFocalLengthMm' => ['lens', 'closeFocalLengthMm', 1.0, 2_000.0];
        yield 'lens closePrincipalGapMm' => ['lens', 'closePrincipalGapMm', -2_000.0, 2_000.0];
        yield 'lens closePupilRatio' => ['lens', 'closePupilRatio', 0.01, 100.0];
        yield 'lens closeEffectiveAperture' => ['lens', 'closeEffectiveAperture', 0.5, 256.0];
        yield 'lens rimTravelMm' => ['lens', 'rimTravelMm', -3_000.0, 3_000.0];
        yield 'lens rearProtrusionMm' => ['lens', 'rearProtrusionMm', 0.0, 3_000.0];
        yield 'lens frontGlassMm' => ['lens', 'frontGlassMm', 0.001, 3_000.0];
        yield 'lens imageCircleMm' => ['lens', 'imageCircleMm', 0.001, 3_000.0];
        yield 'lens aperture/widest' => ['lens', 'aperture/widest', 0.5, 256.0];
        yield 'lens aperture/smallest' => ['lens', 'aperture/smallest', 0.5, 256.0];
        yield 'lens marks/focus' => ['lens', 'marks/focus', 0.0, 1.0];
        yield 'lens marks/distanceMm' => ['lens', 'marks/distanceMm', 0.001, 1_000_000.0];
        yield 'lens marks/magnification' => ['lens', 'marks/magnification', 0.0, 100.0];
        yield 'lens set/focus' => ['lens', 'set/focus', -1.0, 1.0];
        yield 'lens set/aperture' => ['lens', 'set/aperture', 0.5, 256.0];
        yield 'lens set/zoomMm' => ['lens', 'set/zoomMm', 1.0, 2_000.0];
        yield 'close-up-lens powerD' => ['close-up-lens', 'powerD', -50.0, 50.0];
        yield 'close-up-lens elements' => ['close-up-lens', 'elements', 1.0, 2.0];
        yield 'close-up-lens thicknessMm' => ['close-up-lens', 'thicknessMm', 0.0, 3_000.0];
        yield 'close-up-lens planeFromFrontMm' => ['close-up-lens', 'planeFromFrontMm', 0.0, 3_000.0];
        yield 'close-up-lens clearMm' => ['close-up-lens', 'clearMm', 0.001, 3_000.0];
        yield 'close-up-lens index' => ['close-up-lens', 'index', 1.001, 2.5];
        yield 'close-up-lens clipMinMm' => ['close-up-lens', 'clipMinMm', 0.001, 3_000.0];
        yield 'close-up-lens clipMaxMm' => ['close-up-lens', 'clipMaxMm', 0.001, 3_000.0];
        yield 'objective nominal' => ['objective', 'nominal', 0.01, 1_000.0];
        yield 'objective na' => ['objective', 'na', 0.001, 1.6];
        yield 'objective workingDistanceMm' => ['objective', 'workingDistanceMm', 0.0, 3_000.0];
        yield 'objective tubeMm' => ['objective', 'tubeMm', 0.001, 3_000.0];
        yield 'objective parfocalMm' => ['objective', 'parfocalMm', 0.001, 3_000.0];
        yield 'objective referenceMm' => ['objective', 'referenceMm', 0.001, 3_000.0];
        yield 'teleconverter factor' => ['teleconverter', 'factor', 1.0, 4.0];
        yield 'teleconverter lengthMm' => ['teleconverter', 'lengthMm', 0.0, 3_000.0];
        yield 'afocal factor' => ['afocal', 'factor', 0.1, 10.0];
        yield 'afocal thicknessMm' => ['afocal', 'thicknessMm', 0.0, 3_000.0];
        yield 'afocal clearMm' => ['afocal', 'clearMm', 0.001, 3_000.0];
        yield 'port gapMm' => ['port', 'gapMm', 0.0, 3_000.0];
        yield 'port glassMm' => ['port', 'glassMm', 0.0, 3_000.0];
        yield 'port index' => ['port', 'index', 1.0, 2.5];
        yield 'port medium' => ['port', 'medium', 1.0, 2.5];
        yield 'rail travelMm' => ['rail', 'travelMm', 0.001, 3_000.0];
        yield 'rail pitchMm' => ['rail', 'pitchMm', 0.001, 3_000.0];
        yield 'rail loadG' => ['rail', 'loadG', 0.0, 1_000_000.0];
        yield 'tripod loadG' => ['tripod', 'loadG', 0.0, 1_000_000.0];
        yield 'stand loadG' => ['stand', 'loadG', 0.0, 1_000_000.0];
        yield 'flash guideNumber' => ['flash', 'guideNumber', 0.01, 1_000.0];
        yield 'flash recycleS' => ['flash', 'recycleS', 0.0, 3_600.0];
        yield 'lamp watts' => ['lamp', 'watts', 0.0, 100_000.0];
        yield 'lamp lumensPerWatt' => ['lamp', 'lumensPerWatt', 0.01, 683.0];
        yield 'lens bracketStep' => ['lens', 'bracketStep', 0.0, 1.0];
        yield 'reference widthMm' => ['reference', 'widthMm', 0.001, 3_000.0];
        yield 'reference depthMm' => ['reference', 'depthMm', 0.0, 3_000.0];
        yield 'in a kit count' => ['in a kit', 'count', 0.0, 10_000.0];
        yield 'conditions wavelengthNm' => ['conditions', 'wavelengthNm', 100.0, 20_000.0];
        yield 'conditions blurLimitMm' => ['conditions', 'blurLimitMm', 0.00001, 10.0];
        yield 'conditions askedDistanceMm' => ['conditions', 'askedDistanceMm', 0.001, 1_000_000.0];
        yield 'conditions iso' => ['conditions', 'iso', 0.01, 10_000_000.0];
        yield 'conditions ev' => ['conditions', 'ev', -30.0, 40.0];
        yield 'conditions plan/flash/guideNumber' => ['conditions', 'plan/flash/guideNumber', 0.01, 1_000.0];
        yield 'conditions plan/flash/recycleS' => ['conditions', 'plan/flash/recycleS', 0.0, 3_600.0];
        yield 'conditions plan/flash/distanceMm' => ['conditions', 'plan/flash/distanceMm', 0.001, 1_000_000.0];
        yield 'conditions plan/flash/diffuserStops' => ['conditions', 'plan/flash/diffuserStops', 0.0, 20.0];
        yield 'conditions plan/flash/sourceRadiusMm' => ['conditions', 'plan/flash/sourceRadiusMm', 0.0, 3_000.0];
        yield 'conditions plan/flash/angleDeg' => ['conditions', 'plan/flash/angleDeg', 0.0, 90.0];
        yield 'conditions plan/lamp/watts' => ['conditions', 'plan/lamp/watts', 0.0, 100_000.0];
        yield 'conditions plan/lamp/lumensPerWatt' => ['conditions', 'plan/lamp/lumensPerWatt', 0.01, 683.0];
        yield 'conditions plan/rail/pitchMm' => ['conditions', 'plan/rail/pitchMm', 0.001, 1_000.0];
        yield 'conditions plan/rail/steps' => ['conditions', 'plan/rail/steps', 1.0, 10_000_000.0];
        yield 'conditions plan/rail/backlashMm' => ['conditions', 'plan/rail/backlashMm', 0.0, 100.0];
        yield 'conditions plan/rail/travelMm' => ['conditions', 'plan/rail/travelMm', 0.001, 3_000.0];
        yield 'conditions plan/overlap' => ['conditions', 'plan/overlap', 0.0, 0.9];
        yield 'conditions plan/settleS' => ['conditions', 'plan/settleS', 0.0, 3_600.0];
        yield 'conditions plan/betweenS' => ['conditions', 'plan/betweenS', 0.0, 3_600.0];
        yield 'conditions plan/batteryFrames' => ['conditions', 'plan/batteryFrames', 1.0, 1_000_000.0];
        yield 'subject widthMm' => ['subject', 'widthMm', 0.001, 1_000_000.0];
        yield 'subject depthMm' => ['subject', 'depthMm', 0.0, 1_000_000.0];
        yield 'subject radiusMm' => ['subject', 'radiusMm', 0.001, 1_000_000.0];
        yield 'subject acrossMmS' => ['subject', 'acrossMmS', 0.0, 10_000_000.0];
        yield 'subject toAndFroMmS' => ['subject', 'toAndFroMmS', 0.0, 10_000_000.0];
    }

    #[DataProvider('numbers')]
    public function test_a_number_is_taken_at_both_its_bounds_and_at_neither_side_of_them(string $what, string $field, float $least, float $greatest): void
    {
        foreach ([$least, $greatest] as $inside) {
            $this->assertStringNotContainsString('should be from', self::said($what, $field, self::whole($inside)), (string) $inside);
        }
        foreach ([$least - max(1e-6, abs($least) * 1e-6), $greatest * (1.0 + 1e-6)] as $outside) {
            $this->assertStringContainsString('should be', self::said($what, $field, $outside), (string) $outside);
        }
        $this->assertStringContainsString('should be', self::said($what, $field, 'twelve'));
    }

    /** @return iterable<string, array{string, string, list<string>}> what, field, the words it takes */
    public static function words(): iterable
    {
        yield 'camera passes' => ['camera', 'passes', ['contacts', 'lever']];
        yield 'camera coupling' => ['camera', 'coupling', ['meters', 'fires']];
        yield 'adapter rearSide' => ['adapter', 'rearSide', ['male', 'female']];
        yield 'adapter frontSide' => ['adapter', 'frontSide', ['male', 'female']];
        yield 'adapter passes' => ['adapter', 'passes', ['contacts', 'lever']];
        yield 'lens aperture/control' => ['lens', 'aperture/control', ['ring', 'electronic', 'lever', 'none']];
        yield 'lens aperture/shows' => ['lens', 'aperture/shows', ['marked', 'effective']];
        yield 'lens aperture/rest' => ['lens', 'aperture/rest', ['set', 'open', 'closed']];
        yield 'lens focusing' => ['lens', 'focusing', ['unit', 'internal', 'fixed', 'unknown']];
        yield 'lens design' => ['lens', 'design', ['symmetrical', 'triplet', 'telephoto', 'retrofocus', 'wide', 'unknown']];
        yield 'objective corrected' => ['objective', 'corrected', ['finite', 'infinite']];
        yield 'conditions blurRule' => ['conditions', 'blurRule', ['format', 'pixel', 'given']];
        yield 'conditions apertureModel' => ['conditions', 'apertureModel', ['pupil', 'simple']];
        yield 'conditions depthModel' => ['conditions', 'depthModel', ['geometric', 'total']];
        yield 'conditions support' => ['conditions', 'support', ['hand', 'braced', 'table']];
        yield 'conditions plan/light' => ['conditions', 'plan/light', ['there', 'flash', 'lamp', 'torch']];
        yield 'conditions plan/by' => ['conditions', 'plan/by', ['single', 'rail', 'ring', 'bracketing']];
        yield 'conditions surroundings' => ['conditions', 'surroundings', ['sun', 'cold', 'water']];
        yield 'subject traits' => ['subject', 'traits', ['flees', 'stings', 'wet', 'hot', 'protected', 'melts']];
    }

    /** @param  list<string>  $words */
    #[DataProvider('words')]
    public function test_a_word_is_one_of_these(string $what, string $field, array $words): void
    {
        foreach ($words as $word) {
            $this->assertSame('', self::said($what, $field, $word), $word);
            $this->assertNotSame('', self::said($what, $field, strtoupper($word)), $word);
        }
        $this->assertNotSame('', self::said($what, $field, 'prism'));
        $this->assertNotSame('', self::said($what, $field, ''));
    }

    /** @return iterable<string, array{string, list<string>}> kind, the fields that can't be left out */
    public static function needed(): iterable
    {
        yield 'camera' => ['camera', ['registerMm', 'sensor']];
        yield 'adapter' => ['adapter', ['lengthMm']];
        yield 'tube' => ['tube', ['lengthMm']];
        yield 'reversing-ring' => ['reversing-ring', ['lengthMm']];
        yield 'coupling-ring' => ['coupling-ring', ['lengthMm']];
        yield 'step-ring' => ['step-ring', ['lengthMm']];
        yield 'filter' => ['filter', []];
        yield 'hood' => ['hood', []];
        yield 'helicoid' => ['helicoid', ['minMm', 'maxMm']];
        yield 'bellows' => ['bellows', ['minMm', 'maxMm']];
        yield 'lens' => ['lens', ['focalLengthMm', 'frontRimMm']];
        yield 'close-up-lens' => ['close-up-lens', ['powerD']];
        yield 'objective' => ['objective', ['nominal', 'na', 'workingDistanceMm']];
        yield 'teleconverter' => ['teleconverter', ['factor']];
        yield 'afocal' => ['afocal', ['factor']];
        yield 'port' => ['port', ['gapMm', 'glassMm', 'index']];
        yield 'rail' => ['rail', ['travelMm', 'pitchMm']];
        yield 'tripod' => ['tripod', []];
        yield 'stand' => ['stand', []];
        yield 'flash' => ['flash', ['guideNumber']];
        yield 'lamp' => ['lamp', []];
        yield 'reference' => ['reference', []];
    }

    /** @param  list<string>  $needed */
    #[DataProvider('needed')]
    public function test_these_can_not_be_left_out(string $kind, array $needed): void
    {
        $whole = self::NEEDED[$kind] ?? [];
        $this->assertSame([], self::faults($kind, $whole));
        // All of them are named at once, not the first alone.
        $missing = array_map(static fn (string $field): string => ($kind === 'camera' ? '/cameras/0/' : '/parts/0/').$field, $needed);
        $this->assertSame($missing, array_keys(self::faults($kind, ['name' => 'Bare'])));
        foreach ($needed as $field) {
            $faults = self::faults($kind, array_diff_key($whole, [$field => 0]));
            $this->assertSame([($kind === 'camera' ? '/cameras/0/' : '/parts/0/').$field], array_keys($faults));
        }
        foreach (array_diff(array_keys($whole), $needed) as $field) {
            $this->assertSame([], self::faults($kind, array_diff_key($whole, [$field => 0])), $field);
        }
    }

    public function test_every_number_and_word_of_the_files_is_among_them(): void
    {
        $said = [];
        foreach ([...iterator_to_array(self::numbers(), false), ...iterator_to_array(self::words(), false)] as [$what, $field]) {
            $said[$what][] = $field;
        }
        $common = array_slice($said['adapter'], 0, -2);
        foreach (Kind::cases() as $kind) {
            $told = [...$said[$kind->value] ?? [], ...($kind === Kind::Camera ? [] : $said['adapter'])];
            foreach (self::names(Shapes::part($kind)) as $name) {
                $this->assertContains($name, $told, $kind->value);
            }
        }
        $this->assertContains('massG', $common);
        foreach (['conditions' => Shapes::conditions(), 'subject' => Shapes::subject(), 'in a kit' => Shapes::inKit()] as $what => $fields) {
            foreach (self::names($fields) as $name) {
                $this->assertContains($name, $said[$what], $what);
            }
        }
    }

    public function test_a_station_of_a_zoom_is_bounded_as_the_lens_is(): void
    {
        $lens = $station = [];
        foreach (Shapes::part(Kind::Lens) as $field) {
            if ($field->name === 'stations') {
                foreach ($field->fields as $each) {
                    $station[$each->name] = [$each->type, $each->least, $each->greatest, $each->words, count($each->fields)];
                }
            }
            $lens[$field->name] = [$field->type, $field->least, $field->greatest, $field->words, count($field->fields)];
        }
        $this->assertCount(23, $station);
        $this->assertSame(array_intersect_key($lens, $station), $station);
    }

    /**
     * @param  list<Field>  $fields
     * @return list<string> of numbers and words, with the object they are in before a slash; without a zoom's stations
     */
    private static function names(array $fields): array
    {
        $names = [];
        foreach ($fields as $field) {
            if ($field->name === 'stations') {
                continue;
            }
            if (in_array($field->type, [FieldType::Number, FieldType::Integer, FieldType::Choice, FieldType::Choices], true)) {
                $names[] = $field->name;
            }
            foreach (self::names($field->fields) as $name) {
                $names[] = $field->name.'/'.$name;
            }
        }

        return $names;
    }

    private static function whole(float $value): int|float
    {
        return floor($value) === $value ? (int) $value : $value;
    }

    /** What is said of that field with that value; '' when nothing is. */
    private static function said(string $what, string $field, mixed $value): string
    {
        if ($what === 'conditions' || $what === 'subject') {
            $nested = $value;
            foreach (array_reverse(explode('/', $field)) as $name) {
                $nested = [$name => $nested];
            }
            $faults = self::rigFaults([$what => $nested]);

            return self::at($faults, '/'.$what.'/'.$field);
        }
        $kind = $what === 'in a kit' ? 'tube' : $what;
        $fields = self::NEEDED[$kind] ?? [];
        $path = explode('/', $field);
        $last = (string) array_pop($path);
        $object = $path[0] ?? null;
        $list = in_array($object, ['modes', 'marks', 'shots', 'trials'], true);
        $stop = ['aperture' => 4, 'effectiveAperture' => 8, 'mtf50' => 0.2];
        if ($object === null) {
            $fields[$last] = $value;
        } elseif (isset($path[1])) {
            // A list within a list.
            $fields[$object] = [['magnification' => 1, 'pitchMm' => 0.004, $path[1] => [[$last => $value] + $stop]]];
        } elseif ($list) {
            $fields[$object] = [[$last => $value] + match ($object) {
                'modes' => ['name' => 'video'] + self::SENSOR,
                'shots' => ['cameraRegisterMm' => 44.5, 'spacersMm' => 20],
                'trials' => ['magnification' => 1, 'pitchMm' => 0.004, 'stops' => [$stop]],
                default => ['focus' => 0.5, 'magnification' => 0.1],
            }];
        } else {
            $fields[$object] = [$last => $value] + ($fields[$object] ?? []);
        }
        $faults = self::faults($kind, $fields);
        $pointer = ($kind === 'camera' ? '/cameras/0' : '/parts/0').'/'.($object === null ? '' : $object.'/').($list ? '0/' : '').(isset($path[1]) ? $path[1].'/0/' : '').$last;

        return self::at($faults, $pointer);
    }

    /** @param  array<string, string>  $faults */
    private static function at(array $faults, string $pointer): string
    {
        return $faults[$pointer] ?? $faults[$pointer.'/0'] ?? '';
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, string> messages by pointer
     */
    private static function faults(string $kind, array $fields): array
    {
        return self::read(['format' => KitFile::FORMAT, 'version' => 1] + ($kind === 'camera' ? ['cameras' => [$fields]] : ['parts' => [['kind' => $kind] + $fields]]), KitFile::read(...));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, string> messages by pointer
     */
    private static function rigFaults(array $fields): array
    {
        return self::read(['format' => RigFile::FORMAT, 'version' => 1, 'camera' => self::NEEDED['camera'], 'chain' => [['kind' => 'tube', 'lengthMm' => 20], ['kind' => 'lens'] + self::NEEDED['lens']]] + $fields, RigFile::read(...));
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  callable(object): mixed  $read
     * @return array<string, string> messages by pointer
     */
    private static function read(array $document, callable $read): array
    {
        try {
            $read(json_decode(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 16, JSON_THROW_ON_ERROR));
        } catch (FileInvalid $invalid) {
            return array_column(array_map(static fn ($fault): array => [$fault->pointer, $fault->message], $invalid->faults), 1, 0);
        }

        return [];
    }
}
