import { describe, expect, test } from 'vitest';
import { written } from './engraved';

describe('numbers on a scale', () => {
    const marks = ['∞', '1.5 m', '0.8 m', '0.6 m', '0.5 m', '0.46 m'].map((text) => ({ text }));
    const shares = [0, 0.3, 0.55, 0.72, 0.87, 1];

    test('all are written where there is room', () => {
        expect([...written(marks, shares, 900)].sort()).toEqual([0, 1, 2, 3, 4, 5]);
    });

    test('on a narrow scale no two touch, and both ends are told', () => {
        for (const width of [110, 118, 140, 200, 300]) {
            const kept = [...written(marks, shares, width)].sort((a, b) => a - b);
            expect(kept).toContain(0);
            expect(kept).toContain(5);
            for (let i = 1; i < kept.length; i++) {
                const [one = 0, other = 0] = [kept[i - 1], kept[i]];
                const half = (at: number) => ((marks[at]?.text.length ?? 0) * 6.2) / 2;
                expect((shares[other] ?? 0) * width - half(other)).toBeGreaterThanOrEqual(
                    (shares[one] ?? 0) * width + half(one) + 5 - 1e-9,
                );
            }
        }
        expect(written(marks, shares, 118).size).toBeGreaterThan(2);
    });

    test('ticks without a number take no room', () => {
        const ticked = [{ text: '2.8' }, { text: '' }, { text: '4' }];
        expect([...written(ticked, [0, 0.5, 1], 40)].sort()).toEqual([0, 2]);
        expect(written([], [], 100).size).toBe(0);
    });
});
