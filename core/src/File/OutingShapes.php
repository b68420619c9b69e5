<?php

declare(strict_types=1);

namespace ZincThimble\Core\File;

/** What version 1 of the outing file holds, and each entry of its log: the one table from which they are checked and the schema is written. */
final class OutingShapes
{
    /** Characters of a small picture, as a data address: about 45 kB of picture. */
    public const MOST_PICTURE = 60_000;

    /** @return list<Field> of the outing, without its subjects, its plan and its entries */
    public static function outing(): array
    {
        return [
            Field::text('name', 200)->needed(),
            Field::text('date', 10),
            Field::text('place', 200),
            Field::text('startsAt', 40),
            Field::object('conditions', Shapes::conditions()),
            Field::choice('by', 'mass', 'parts', 'rigs', 'price'),
            Field::objects('preparations', [Field::text('what', 200)->needed(), Field::integer('leadS', 0, 31_622_400)->needed(), Field::text('for', 200)]),
            Field::texts('checks', 200),
            Field::texts('packed', 200),
        ];
    }

    /** @return list<Field> of a subject, without the rig it is pinned to */
    public static function subject(): array
    {
        return [
            Field::text('name', 200)->needed(),
            Field::object('wish', self::wish())->needed(),
            Field::object('subject', Shapes::subject()),
            Field::text('at', 40),
            Field::texts('without', 200),
        ];
    }

    /**
     * The blanks of a wish, as Find's; `mostStops` is `mostStopsLost`.
     *
     * @return list<Field>
     */
    public static function wish(): array
    {
        return [
            Field::number('fieldWidthMm', 0.01, 100_000.0),
            Field::number('magnification', 0.0001, 100.0),
            Field::number('workingDistanceMm', 0.0, 1_000_000.0),
            Field::number('subjectDistanceMm', 1.0, 1_000_000.0),
            Field::number('leastRoomMm', 0.0, 1_000_000.0),
            Field::number('mostStopsLost', -10.0, 30.0),
            Field::number('mostStops', -10.0, 30.0),
            Field::number('focusFromMm', 1.0, 1_000_000.0),
            Field::number('focusToMm', 1.0, 1_000_000.0),
            Field::number('mostMassG', 0.0, 1_000_000.0),
            Field::number('mostLengthMm', 0.0, 100_000.0),
            Field::number('mostPrice', 0.0, 1_000_000_000.0),
            Field::number('mostMissingPrice', 0.0, 1_000_000_000.0),
            Field::number('leastCorner', 0.0, 1.0),
            Field::number('depthMm', 0.0001, 100_000.0),
            Field::number('detailMm', 0.00001, 100.0),
            Field::number('subjectDepthMm', 0.0, 100_000.0),
            Field::flag('infinity'),
            Field::flag('flat'),
            Field::flag('underWater'),
            Field::flag('automatic'),
            Field::choice('support', 'hand', 'braced', 'table'),
            Field::choice('ranking', 'ease', 'room', 'light', 'mass', 'price'),
        ];
    }

    /** @return list<Field> of an entry of the log, without its rig */
    public static function entry(): array
    {
        return [
            Field::text('id', 36)->needed(),
            Field::text('at', 40)->needed(),
            Field::texts('replaces', 36),
            Field::flag('withdrawn'),
            Field::text('subject', 200),
            Field::objects('scales', [Field::text('part', 200)->needed(), Field::text('reads', 60)->needed(), Field::text('unit', 20)]),
            Field::object('measured', [...self::figures(), Field::number('fieldWidthMm', 0.001, 100_000.0), Field::number('fieldWidthMmHalfWidth', 0.0, 100_000.0)]),
            Field::object('predicted', self::figures()),
            Field::object('light', [
                Field::choice('source', 'there', 'flash', 'lamp', 'torch'), Field::text('name', 200), Field::number('power', 0.0001, 1.0), Field::distance('distanceMm'),
                Field::number('angleDeg', 0.0, 90.0), Field::number('ev', -30.0, 40.0), Field::text('note', 500),
            ]),
            Field::number('aperture', 0.5, 256.0),
            Field::number('exposureS', 0.0, 100_000.0),
            Field::number('iso', 0.01, 10_000_000.0),
            Field::integer('frames', 1, 1_000_000),
            Field::objects('trial', [Field::number('aperture', 0.5, 256.0)->needed(), Field::number('mtf50', 0.0, 1.0)->needed(), Field::number('halfWidth', 0.0, 1.0)]),
            Field::objects('pictures', [
                Field::text('name', 255)->needed(),
                Field::object('exif', [
                    Field::text('takenAt', 40), Field::number('aperture', 0.5, 256.0), Field::number('exposureS', 0.0, 100_000.0), Field::number('iso', 0.01, 10_000_000.0),
                    Field::number('focalLengthMm', 0.1, 10_000.0), Field::text('camera', 200),
                ]),
                Field::text('small', self::MOST_PICTURE),
            ]),
            Field::integer('result', 1, 5),
            Field::text('note'),
        ];
    }

    /**
     * What can be measured of a rig in the field and what was said of it before, each with its half-width.
     *
     * @return list<Field>
     */
    private static function figures(): array
    {
        return [
            Field::number('magnification', 0.00001, 1000.0), Field::number('magnificationHalfWidth', 0.0, 1000.0),
            Field::number('workingDistanceMm', 0.0, 1_000_000.0), Field::number('workingDistanceMmHalfWidth', 0.0, 1_000_000.0),
            Field::number('sliceMm', 0.0, 100_000.0), Field::number('sliceMmHalfWidth', 0.0, 100_000.0),
        ];
    }
}
