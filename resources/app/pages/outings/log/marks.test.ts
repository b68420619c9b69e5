import { describe, expect, it } from 'vitest';
import { stripOf, tickWords } from './marks';

describe('the strip of magnifications by day', () => {
    it('gives a factor of two the same height and a day the same width', () => {
        const strip = stripOf([
            { day: '2026-11-01', magnification: 0.3 },
            { day: '2026-11-03', magnification: 3 },
            { day: '2026-11-11', magnification: 4 },
        ]);
        expect(strip?.ticks).toEqual([0.25, 0.5, 1, 2, 4]);
        expect([0.25, 0.5, 1, 2, 4].map((tick) => strip?.up(tick))).toEqual([0, 0.25, 0.5, 0.75, 1]);
        expect([strip?.along('2026-11-01'), strip?.along('2026-11-03'), strip?.along('2026-11-11')]).toEqual([0, 0.2, 1]);
        expect([strip?.first, strip?.last]).toEqual(['2026-11-01', '2026-11-11']);
    });

    it('shows two factors at least, and all of one day in the middle', () => {
        const strip = stripOf([{ day: '2026-11-01', magnification: 1 }]);
        expect(strip?.ticks).toEqual([1, 2, 4]);
        expect(strip?.along('2026-11-01')).toBe(0.5);
        expect(stripOf([])).toBeNull();
    });

    it('is engraved as magnifications are', () => {
        expect([0.0625, 0.125, 0.25, 0.5, 1, 16, 0.7, 3.5].map(tickWords)).toEqual([
            '1/16×',
            '⅛×',
            '¼×',
            '½×',
            '1×',
            '16×',
            '0.7×',
            '3.5×',
        ]);
    });
});
