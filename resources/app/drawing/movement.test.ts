import { describe, expect, test } from 'vitest';
import type { Frame } from './frame';
import { moved, placeOf } from './movement';

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
