import { describe, expect, test } from 'vitest';
import type { Frame } from './frame';
import { carriedFrom, moved, placeOf } from './movement';

describe('what stands before swung or shifted bellows', () => {
    const movement = { part: 1, pivotMm: 100, swingDeg: 30, shiftMm: 5, planeTiltDeg: 50, fieldMovesMm: 8 };
    const frame = { scale: 2, x: (mm: number) => 10 + 2 * mm, axisY: 200 } as Frame;

    test('swings about the front plate and goes up with it; what stands behind stays', () => {
        const place = moved(movement, 140, 0);
        expect(place.mm).toBeCloseTo(100 + 40 * Math.cos(Math.PI / 6), 9);
        expect(place.high).toBeCloseTo(20 + 5, 9);
        expect(moved(movement, 100, 0)).toEqual({ mm: 100, high: 5 });
        expect(moved(movement, 99, 3)).toEqual({ mm: 99, high: 3 });
        expect(moved(null, 140, 3)).toEqual({ mm: 140, high: 3 });
    });

    test('the drawing moves the parts before the bellows by the same', () => {
        expect(placeOf(movement, 2, frame)).toBe('translate(0 -10) rotate(-30 210 200)');
        expect(placeOf(movement, 1, frame)).toBeUndefined();
        expect(placeOf(null, 2, frame)).toBeUndefined();
    });
});

describe('a part that is only carried along', () => {
    const rest = { label: 'Moor 50', reversed: false, rearMm: 60.1, frontMm: 92.7 } as Parameters<typeof carriedFrom>[0];

    test('is the one at rest, wherever it is carried', () => {
        expect(carriedFrom({ ...rest, rearMm: 60.1 + 33.3, frontMm: 92.7 + 33.3 }, rest)).toBe(rest);
        expect(carriedFrom(rest, rest)).toBe(rest);
    });

    test('is itself when it grows, is turned round, or another stood there', () => {
        const others = [
            { ...rest, frontMm: 92.8 },
            { ...rest, reversed: true },
            { ...rest, label: 'Fell 35' },
        ];
        for (const other of others) expect(carriedFrom(other, rest)).toBe(other);
        expect(carriedFrom(rest, undefined)).toBe(rest);
    });
});
