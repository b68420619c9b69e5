import { describe, expect, test } from 'vitest';
import { rulerLines } from './ruler';

describe('a ruler that leans through the depth', () => {
    const layers = [-2, -1, 0, 1, 2].map((atMm) => ({ atMm, magnification: 1 / (1 + atMm / 100), discMm: 0.05 * Math.abs(atMm) }));

    test('flat, its lines stand as far apart as they are, and all alike', () => {
        const lines = rulerLines([{ atMm: 0, magnification: 1, discMm: 0 }], null, 20, 2, 200);
        expect(lines.map(({ x }) => Math.round(x))).toEqual([0, 20, 40, 60, 80, 100, 120, 140, 160, 180, 200]);
        for (const { width, dark } of lines) {
            expect(width).toBeCloseTo(2, 9);
            expect(dark).toBe(1);
        }
        expect(lines.filter(({ long }) => long).map(({ x }) => Math.round(x))).toEqual([0, 100, 200]);
    });

    test('leaning, it is sharp in the middle, spread and paler to both ends, and as dark in all', () => {
        const lines = rulerLines(layers, 4, 20, 2, 200);
        const middle = lines.find(({ x }) => Math.abs(x - 100) < 1e-9);
        expect(middle?.dark).toBe(1);
        const [first, last] = [lines[0], lines.at(-1)];
        // The left end is 2 mm nearer, the right one 2 mm beyond: 0.1 mm at the sensor is 1 px of this frame.
        expect(first?.width).toBeCloseTo(2 / 0.98 + 1, 6);
        expect(last?.width).toBeCloseTo(2 / 1.02 + 1, 6);
        for (const { width, dark } of lines) expect(width * dark).toBeGreaterThan(1.9);
        // What is nearer is larger, so its lines stand further apart.
        expect(100 - (lines.find(({ x }) => x < 25 && x > 5)?.x ?? 0)).toBeGreaterThan(80);
    });

    test('without an image there is nothing to draw', () => {
        expect(rulerLines([], 4, 20, 2, 200)).toEqual([]);
        expect(rulerLines(layers, 4, 20, 0, 200)).toEqual([]);
    });
});
