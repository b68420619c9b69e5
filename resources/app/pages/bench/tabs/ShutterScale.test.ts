import { describe, expect, it } from 'vitest';
import { placeIn } from './ShutterScale';

describe('the shutter scale', () => {
    const place = placeIn(840);
    it('is as wide a stop everywhere', () => {
        const stop = place(1 / 500) - place(1 / 1000);
        for (const seconds of [1 / 4000, 1 / 60, 1 / 4, 1, 15]) expect(place(2 * seconds) - place(seconds)).toBeCloseTo(stop, 9);
        expect(stop).toBeGreaterThan(40);
    });
    it('keeps what lies beyond its ends at them', () => {
        expect(place(1e-9)).toBe(place(1 / 8000));
        expect(place(1e9)).toBe(place(60));
        expect(place(60)).toBeLessThan(840);
        expect(place(1 / 8000)).toBeGreaterThan(0);
    });
});
