<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

use ZincThimble\Core\Gear\Kind;

/**
 * What version 1 of the rig and kit files holds: the one table from which files are checked, the published schema is
 * written, and forms and CSV columns are made.
 */
final class Shapes
{
    public const MAX_BYTES = 2 * 1024 * 1024;

    /** @var array<string, array<string, list<Field>>> what elsewhere() has answered, by kind */
    private static array $elsewhere = [];

    /** @return list<Field> */
    public static function camera(): array
    {
        return [
            Field::text('name'),
            Field::joint('joint'),
            Field::joints('alsoFront'),
            Field::length('registerMm')->needed(),
            Field::object('sensor', self::frame())->needed(),
            Field::objects('modes', [Field::text('name')->needed(), ...self::frame(), Field::number('framesPerSecond', 0.001, 100_000.0)]),
            self::passes(),
            Field::length('gripOverhangMm'),
            Field::number('massG', 0.0, 1_000_000.0),
            Field::number('mountMomentNm', 0.0001, 1000.0),
            Field::width('throatMm'),
            Field::number('balanceMm', -3000.0, 3000.0),
            self::price(),
            Field::width('widthMm'),
            Field::width('heightMm'),
            Field::width('depthMm'),
            Field::choices('coupling', 'meters', 'fires'),
            Field::number('finderCoverage', 0.0, 1.0),
        ];
    }

    /**
     * The fields of a part of that kind, without its `kind`.
     *
     * @return list<Field>
     */
    public static function part(Kind $kind): array
    {
        return $kind === Kind::Camera ? self::camera() : [...self::common(), ...self::own($kind)];
    }

    /**
     * What the names that a kind hasn't got mean in others: a part that has one of them all the same has it as they do, or not at all.
     *
     * @return array<string, list<Field>> by name
     */
    public static function elsewhere(Kind $kind): array
    {
        if (! isset(self::$elsewhere[$kind->value])) {
            $own = array_fill_keys(array_map(static fn (Field $field): string => $field->name, self::part($kind)), true);
            $names = [];
            foreach (Kind::cases() as $other) {
                foreach (self::part($other) as $field) {
                    if (! isset($own[$field->name])) {
                        $names[$field->name][] = $field->optional();
                    }
                }
            }
            self::$elsewhere[$kind->value] = $names;
        }

        return self::$elsewhere[$kind->value];
    }

    /**
     * What a part in a kit may have besides.
     *
     * @return list<Field>
     */
    public static function inKit(): array
    {
        return [
            Field::text('id', 120),
            Field::integer('count', 0, 10_000),
            Field::text('marriedTo'),
            Field::text('note'),
        ];
    }

    /** @return list<Field> */
    public static function conditions(): array
    {
        return [
            Field::number('wavelengthNm', 100.0, 20_000.0),
            Field::number('blurLimitMm', 0.00001, 10.0),
            Field::choice('blurRule', 'format', 'pixel', 'given'),
            Field::choice('apertureModel', 'pupil', 'simple'),
            Field::choice('depthModel', 'geometric', 'total'),
            Field::choice('support', 'hand', 'braced', 'table'),
            Field::distance('askedDistanceMm'),
            Field::number('iso', 0.01, 10_000_000.0),
            Field::number('ev', -30.0, 40.0),
            Field::choices('surroundings', 'sun', 'cold', 'water'),
            Field::text('mode'),
            Field::flag('infinity'),
            Field::object('plan', self::plan()),
        ];
    }

    /**
     * What is decided of light and shots.
     *
     * @return list<Field>
     */
    private static function plan(): array
    {
        return [
            Field::choice('light', 'there', 'flash', 'lamp', 'torch'),
            Field::object('flash', [
                Field::text('name'), Field::number('guideNumber', 0.01, 1000.0), Field::number('recycleS', 0.0, 3600.0), Field::distance('distanceMm'),
                Field::number('diffuserStops', 0.0, 20.0), Field::length('sourceRadiusMm'), Field::number('angleDeg', 0.0, 90.0),
            ]),
            Field::object('lamp', [Field::text('name'), Field::number('watts', 0.0, 100_000.0), self::lumensPerWatt()]),
            Field::choice('by', 'single', 'rail', 'ring', 'bracketing'),
            Field::object('rail', [Field::text('name'), Field::number('pitchMm', 0.001, 1000.0), Field::integer('steps', 1, 10_000_000), Field::number('backlashMm', 0.0, 100.0), Field::width('travelMm')]),
            Field::number('overlap', 0.0, 0.9),
            Field::number('settleS', 0.0, 3600.0),
            Field::number('betweenS', 0.0, 3600.0),
            Field::integer('batteryFrames', 1, 1_000_000),
        ];
    }

    /** @return list<Field> */
    public static function subject(): array
    {
        return [
            Field::text('name'),
            Field::distance('widthMm'),
            Field::number('depthMm', 0.0, 1_000_000.0),
            Field::distance('radiusMm'),
            Field::flag('flat'),
            Field::number('acrossMmS', 0.0, 10_000_000.0),
            Field::number('toAndFroMmS', 0.0, 10_000_000.0),
            Field::choices('traits', 'flees', 'stings', 'wet', 'hot', 'protected', 'melts'),
        ];
    }

    /** @return list<Field> */
    private static function frame(): array
    {
        return [
            Field::width('widthMm')->needed(),
            Field::width('heightMm')->needed(),
            Field::integer('columns', 1, 1_000_000),
            Field::integer('rows', 1, 1_000_000),
        ];
    }

    /** @return list<Field> */
    private static function common(): array
    {
        return [
            Field::text('name'),
            Field::joint('rear'),
            Field::joint('front'),
            Field::joints('alsoRear'),
            Field::joints('alsoFront'),
            Field::choice('rearSide', 'male', 'female'),
            Field::choice('frontSide', 'male', 'female'),
            Field::number('massG', 0.0, 1_000_000.0),
            self::price(),
            self::passes(),
            Field::width('outerMm'),
            Field::width('frontOuterMm'),
            Field::width('rearOuterMm'),
            Field::number('balanceMm', -3000.0, 3000.0),
            Field::number('footMm', -3000.0, 3000.0),
        ];
    }

    /** @return list<Field> */
    private static function own(Kind $kind): array
    {
        $clear = Field::width('clearMm');

        return match ($kind) {
            Kind::Adapter, Kind::Tube, Kind::ReversingRing, Kind::CouplingRing, Kind::StepRing => [
                Field::length('lengthMm')->needed(), $clear, Field::flag('shoulder'), Field::flag('latch'), Field::flag('reversed'),
            ],
            Kind::Filter, Kind::Hood => [Field::length('lengthMm'), $clear, Field::flag('latch'), Field::flag('reversed')],
            Kind::Helicoid => [
                Field::length('minMm')->needed(), Field::length('maxMm')->needed(), Field::length('setMm'), $clear, Field::width('pitchMm'),
            ],
            Kind::Bellows => [
                Field::length('minMm')->needed(), Field::length('maxMm')->needed(), Field::length('setMm'), $clear,
                Field::number('scaleZeroMm', -3000.0, 3000.0), Field::length('rearClearanceMm'), Field::flag('latch'),
                Field::number('maxSwingDeg', 0.0, 80.0), Field::length('maxShiftMm'),
                Field::number('swingDeg', -80.0, 80.0), Field::number('shiftMm', -3000.0, 3000.0), Field::flag('plateTurned'),
            ],
            Kind::Lens => self::lens(),
            Kind::CloseUpLens => [
                Field::number('powerD', -50.0, 50.0)->notZero()->needed(), Field::integer('elements', 1, 2), Field::length('thicknessMm'),
                Field::length('planeFromFrontMm'), $clear, Field::flag('sealed'), Field::number('index', 1.001, 2.5),
                Field::width('clipMinMm'), Field::width('clipMaxMm'), Field::halfWidths('measured'), Field::flag('taped'),
            ],
            Kind::Objective => [
                Field::number('nominal', 0.01, 1000.0)->needed(), Field::number('na', 0.001, 1.6)->needed(), Field::length('workingDistanceMm')->needed(),
                Field::choice('corrected', 'finite', 'infinite'), Field::width('tubeMm'), Field::width('parfocalMm'), Field::width('referenceMm'),
            ],
            Kind::Teleconverter => [Field::number('factor', 1.0, 4.0)->needed(), Field::length('lengthMm')],
            Kind::Afocal => [Field::number('factor', 0.1, 10.0)->needed(), Field::length('thicknessMm'), $clear],
            Kind::Port => [
                Field::length('gapMm')->needed(), Field::length('glassMm')->needed(), Field::number('index', 1.0, 2.5)->needed(),
                Field::number('medium', 1.0, 2.5),
            ],
            Kind::Rail => [Field::width('travelMm')->needed(), Field::width('pitchMm')->needed(), Field::number('loadG', 0.0, 1_000_000.0)],
            Kind::Tripod, Kind::Stand => [Field::number('loadG', 0.0, 1_000_000.0)],
            Kind::Flash => [Field::number('guideNumber', 0.01, 1000.0)->needed(), Field::number('recycleS', 0.0, 3600.0)],
            Kind::Lamp => [Field::number('watts', 0.0, 100_000.0), self::lumensPerWatt()],
            Kind::Reference => [Field::width('widthMm'), Field::number('depthMm', 0.0, 3000.0)],
            Kind::Camera => [],
        };
    }

    /** @return list<Field> */
    private static function lens(): array
    {
        $figures = self::figures();

        return [
            ...$figures,
            Field::flag('reversed'),
            Field::number('bracketStep', 0.0, 1.0),
            Field::choice('focusing', 'unit', 'internal', 'fixed', 'unknown'),
            Field::choice('design', 'symmetrical', 'triplet', 'telephoto', 'retrofocus', 'wide', 'unknown'),
            Field::objects('marks', [
                Field::number('focus', 0.0, 1.0)->needed(), Field::distance('distanceMm'), Field::number('magnification', 0.0, 100.0),
            ]),
            Field::flag('flatField'),
            Field::objects('stations', array_map(static fn (Field $field): Field => $field->name === 'focalLengthMm' ? $field : $field->optional(), $figures)),
            Field::objects('trials', self::trial()),
            Field::object('set', [
                Field::number('focus', -1.0, 1.0), self::fNumber('aperture'), Field::number('zoomMm', 1.0, 2000.0), Field::flag('working'), Field::flag('makeshift'),
            ]),
        ];
    }

    /**
     * What a lens has at one focal length.
     *
     * @return list<Field>
     */
    private static function figures(): array
    {
        return [
            Field::number('focalLengthMm', 1.0, 2000.0)->needed(),
            Field::length('registerMm'),
            Field::length('frontRimMm')->needed(),
            Field::distance('minFocusMm'),
            Field::length('minFocusFrontMm'),
            Field::number('minMagnification', 0.0, 100.0),
            Field::length('pastInfinityMm'),
            Field::number('maxMagnification', 0.0, 100.0),
            Field::number('principalGapMm', -2000.0, 2000.0),
            Field::number('pupilRatio', 0.01, 100.0),
            Field::number('closeFocalLengthMm', 1.0, 2000.0),
            Field::number('closePrincipalGapMm', -2000.0, 2000.0),
            Field::number('closePupilRatio', 0.01, 100.0),
            self::fNumber('closeEffectiveAperture'),
            Field::number('rimTravelMm', -3000.0, 3000.0),
            Field::length('rearProtrusionMm'),
            Field::width('frontGlassMm'),
            Field::width('imageCircleMm'),
            Field::object('aperture', [
                self::fNumber('widest'), self::fNumber('smallest'), Field::choice('control', 'ring', 'electronic', 'lever', 'none'),
                Field::choice('shows', 'marked', 'effective'), Field::choice('rest', 'set', 'open', 'closed'),
            ]),
            Field::object('pupils', [Field::width('entranceMm'), Field::width('exitMm')]),
            Field::halfWidths('measured'),
            Field::halfWidths('guessed'),
            Field::objects('shots', self::shot()),
        ];
    }

    /**
     * One picture taken to learn about a lens.
     *
     * @return list<Field>
     */
    private static function shot(): array
    {
        return [
            Field::length('cameraRegisterMm')->needed(),
            Field::length('spacersMm')->needed(),
            Field::flag('reversed'),
            Field::number('focus', 0.0, 1.0),
            Field::number('magnification', 0.0, 100.0),
            Field::number('magnificationHalfWidth', 1e-6, 100.0),
            Field::length('workingDistanceMm'),
            Field::number('workingDistanceMmHalfWidth', 0.001, 3000.0),
            Field::distance('subjectDistanceMm'),
            Field::number('subjectDistanceMmHalfWidth', 0.001, 3000.0),
            Field::text('at', 40),
            Field::text('note'),
        ];
    }

    /**
     * The same edge at several stops.
     *
     * @return list<Field>
     */
    private static function trial(): array
    {
        return [
            Field::number('magnification', 0.001, 100.0)->needed(),
            Field::number('pitchMm', 0.0001, 1.0)->needed(),
            Field::flag('reversed'),
            Field::number('zoomMm', 1.0, 2000.0),
            Field::number('wavelengthNm', 100.0, 20_000.0),
            Field::text('at', 40),
            Field::text('note'),
            Field::objects('stops', [
                self::fNumber('aperture')->needed(), Field::number('effectiveAperture', 0.1, 100_000.0)->needed(), Field::number('mtf50', 0.0001, 1.0)->needed(), Field::number('halfWidth', 0.0, 1.0),
            ])->needed(),
        ];
    }

    /** No light gives more than 683. */
    private static function lumensPerWatt(): Field
    {
        return Field::number('lumensPerWatt', 0.01, 683.0);
    }

    private static function fNumber(string $name): Field
    {
        return Field::number($name, 0.5, 256.0);
    }

    private static function price(): Field
    {
        return Field::number('price', 0.0, 1_000_000_000.0);
    }

    private static function passes(): Field
    {
        return Field::choices('passes', 'contacts', 'lever');
    }
}
