import { describe, expect, test } from 'vitest';
import { placeOn, reachOn, spreadOn, standing, ticksOn, width, windowOf } from './scale';

describe('a strip’s scale', () => {
    test('three decades hold what stands on them, beginning at a third of a decade', () => {
        const [from, to] = windowOf([0.2, 4, 30]);
        expect(from).toBeLessThan(0.2);
        expect(to).toBeGreaterThan(30);
        expect(to / from).toBeCloseTo(1000, 6);
        expect((Math.log10(from) * 3) % 1).toBeCloseTo(0, 9);
        // Wherever they stand, and however far apart.
        for (let low = -3; low < 3; low += 0.07) {
            for (const span of [0, 1, 2, 2.6]) {
                const window = windowOf([10 ** low, 10 ** (low + span)]);
                expect(Math.log10(window[0])).toBeLessThanOrEqual(low + 1e-9);
                expect(Math.log10(window[1])).toBeGreaterThanOrEqual(low + span - 1e-9);
            }
        }
        // Too far apart for three decades: the upper end is held.
        const [low, high] = windowOf([0.001, 500]);
        expect(high).toBeGreaterThanOrEqual(500);
        expect(low).toBeGreaterThan(0.001);
    });

    test('a factor of two has the same width wherever it stands', () => {
        const place = placeOn([0.1, 100]);
        expect(place(0.4) - place(0.2)).toBeCloseTo(place(40) - place(20), 9);
        expect(place(0.1)).toBe(6);
        expect(place(100)).toBe(width - 6);
        expect(place(0.001)).toBe(6);
        expect(place(1e9)).toBe(width - 6);
        expect(place(0)).toBe(6);
    });

    test('a reach runs from its least to its greatest, and without one to the end', () => {
        const window = [0.1, 100] as const;
        const place = placeOn(window);
        expect(reachOn(window, { least: 1, greatest: 10 })).toEqual({ low: place(1), high: place(10) });
        expect(reachOn(window, { least: 1, greatest: null })).toEqual({ low: place(1), high: width - 6 });
        expect(reachOn(window, { least: 0, greatest: 10 })).toEqual({ low: 6, high: place(10) });
        expect(reachOn(window, { least: null, greatest: 10 })).toEqual({ low: 6, high: place(10) });
        expect(reachOn(window, { least: null, greatest: null })).toBeNull();
        expect(reachOn(window, { least: 2, greatest: 2.0009 })).toBeNull();
        expect(reachOn(window, { least: 2, greatest: 2.0011 })).not.toBeNull();
    });

    test('a half-width is drawn when it can be seen and is less than the value', () => {
        const window = [0.1, 100] as const;
        const place = placeOn(window);
        expect(spreadOn(window, { value: 10, halfWidth: 2 })).toEqual({ low: place(8), high: place(12) });
        expect(spreadOn(window, { value: 10, halfWidth: 0.1 })).toBeNull();
        expect(spreadOn(window, { value: 2, halfWidth: 2 })).toBeNull();
        expect(spreadOn(window, { value: 10, halfWidth: null })).toBeNull();
        expect(spreadOn(window, { value: null, halfWidth: 2 })).toBeNull();
    });

    test('told in inches the graduations are round inches, where they lie', () => {
        const window = [0.01, 10] as const;
        const place = placeOn(window);
        const told = ticksOn(window, 25.4).filter((tick) => tick.told);
        expect(told.length).toBeGreaterThan(6);
        for (const { at, x } of told) {
            expect([1, 2, 5]).toContain(Number((at / 25.4).toExponential(6).slice(0, 1)));
            expect(x).toBeCloseTo(place(at), 9);
        }
        for (let i = 1; i < told.length; i++) expect((told[i]?.x ?? 0) - (told[i - 1]?.x ?? 0)).toBeGreaterThan(30);
    });

    test('every digit has its line, and 1, 2 and 5 their figure but at the very ends', () => {
        const ticks = ticksOn([1, 1000]);
        expect(ticks.map(({ at }) => at).slice(0, 11)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 20]);
        expect(ticks.at(-1)?.at).toBe(1000);
        expect(ticks.filter(({ long }) => long).map(({ at }) => at)).toEqual([1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]);
        expect(ticks.filter(({ told }) => told).map(({ at }) => at)).toEqual([2, 5, 10, 20, 50, 100, 200, 500]);
    });

    test('only what a logarithm has stands on it', () => {
        expect(
            standing(
                [{ value: 2 }, { value: null }, { value: 0 }],
                [
                    { least: 0, greatest: Infinity },
                    { least: 1, greatest: null },
                ],
            ),
        ).toEqual([2, 1]);
    });
});
