import { describe, expect, it } from 'vitest';
import { ends, engraved, firstWidth, offSaid, placeOf, said, stepped, typed, valueAt, wider, widthSaid } from './guess';

const mm = { unit: 'mm', least: 10, greatest: 1000 };
const stops = { unit: 'stops', least: 0, greatest: 8 };
const frames = { unit: 'n', least: 1, greatest: 500 };

describe('an answer on its scale', () => {
    it('stands where it is by logarithms, and stops evenly', () => {
        expect(placeOf(mm, 10)).toBe(0);
        expect(placeOf(mm, 100)).toBeCloseTo(0.5, 12);
        expect(placeOf(mm, 1000)).toBe(1);
        expect(placeOf(mm, 5)).toBe(0);
        expect(placeOf(stops, 2)).toBe(0.25);
    });

    it('is read where it stands, to three digits, sixths of a stop, whole frames', () => {
        for (const value of [10, 12.3, 64, 487, 1000]) expect(valueAt(mm, placeOf(mm, value))).toBe(value);
        expect(valueAt(stops, 0.26)).toBe(2);
        expect(valueAt(stops, 0.262)).toBeCloseTo(13 / 6, 12);
        expect(valueAt(stops, placeOf(stops, 7 / 6))).toBeCloseTo(7 / 6, 12);
        expect(valueAt(frames, 0)).toBe(1);
        expect(valueAt(frames, placeOf(frames, 17.4))).toBe(17);
        expect(valueAt(mm, 1.4)).toBe(1000);
    });

    it('goes by steps and stays on the scale', () => {
        expect(stepped(mm, 100, 1)).toBe(102);
        expect(stepped(mm, 100, -1)).toBe(97.7);
        expect(stepped(mm, 1000, 10)).toBe(1000);
        expect(stepped(stops, 2, 1)).toBeCloseTo(13 / 6, 12);
        expect(stepped(stops, 0, -1)).toBe(0);
        // Of few frames a step is one more.
        expect(stepped(frames, 2, 1)).toBe(3);
        expect(stepped(frames, 1, -1)).toBe(1);
    });

    it('has a width that ends on the scale', () => {
        expect(widthSaid(mm, firstWidth(mm))).toBe('give or take 20\u2009%');
        const { low, high } = ends(mm, { value: 60, width: firstWidth(mm) });
        expect(low).toBeCloseTo(50, 12);
        expect(high).toBeCloseTo(72, 12);
        expect(ends(mm, { value: 990, width: 10 })).toEqual({ low: 198, high: 1000 });
        expect(ends(stops, { value: 0.2, width: 2 })).toEqual({ low: 0, high: 0.7 });
        expect(wider(mm, 0, -1)).toBe(0);
        expect(wider(mm, 10, 1)).toBe(10);
        expect([widthSaid(mm, 8), widthSaid(mm, 9), widthSaid(mm, 10)]).toEqual([
            'anything from a half to 2 times',
            'anything from a third to 3 times',
            'anything from a fifth to 5 times',
        ]);
        expect([0, 1, 2, 3, 4, 5, 6].map((width) => widthSaid(stops, width))).toEqual(
            ['⅙ stop', '⅓ stop', '½ stop', '⅔ stop', '1 stop', '1½ stops', '2 stops'].map((text) => `give or take ${text}`),
        );
    });

    it('is engraved with 1, 2 and 5, from end to end', () => {
        const labels = engraved(mm).filter(({ label }) => label);
        expect(labels.map(({ value }) => value)).toEqual([10, 20, 50, 100, 200, 500, 1000]);
        expect(engraved(mm)).toHaveLength(19);
        const tight = engraved(mm, true);
        expect(tight).toHaveLength(19);
        expect(tight.filter(({ label }) => label).map(({ value }) => value)).toEqual([10, 100, 1000]);
        expect(engraved({ unit: 'x', least: 0.02, greatest: 10 })[0]).toEqual({ value: 0.02, label: true });
        expect(engraved(stops).map(({ value }) => value)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    });

    it('is said with its unit', () => {
        expect(said('mm', 64, 'mm')).toBe('64\u2009mm');
        expect(said('mm', 254, 'in')).toBe('10\u2009in');
        expect(said('x', 0.62, 'mm')).toBe('0.62×');
        expect(said('stops', 1.33, 'mm')).toBe('1.3 stops');
        expect([said('stops', 1, 'mm'), said('stops', 0.93, 'mm'), said('stops', 0, 'mm'), said('stops', 1.06, 'mm')]).toEqual([
            '1 stop',
            '0.9 stop',
            '0 stops',
            '1.1 stops',
        ]);
        expect(said('f', 11.2, 'mm')).toBe('f/11');
        expect(said('times', 2.56, 'mm')).toBe('2.56 times');
        expect([said('n', 1, 'mm'), said('n', 24, 'mm')]).toEqual(['1 frame', '24 frames']);
    });

    it('is off by a share, from double on by a factor, of light by stops', () => {
        expect(offSaid('room', 0.004)).toBe('0.4\u2009%');
        expect(offSaid('room', 0.0951)).toBe('10\u2009%');
        expect(offSaid('room', 0.994)).toBe('99\u2009%');
        expect(offSaid('room', 1)).toBe('a factor of 2');
        expect(offSaid('tube', 13.5)).toBe('a factor of 15');
        expect(offSaid('light', 0.21)).toBe('0.2 stop');
        expect(offSaid('light', 2.4)).toBe('2.4 stops');
    });

    it('is typed as people type it, and refused beside the scale', () => {
        expect(typed(mm, '64 mm', 'mm')).toBe(64);
        expect(typed(mm, '6,4', 'mm')).toBeNull();
        expect(typed(mm, '64,5', 'mm')).toBe(64.5);
        expect(typed(mm, '2 in', 'in')).toBeCloseTo(50.8, 9);
        expect(typed({ unit: 'f', least: 1, greatest: 100 }, 'f/11', 'mm')).toBe(11);
        expect(typed(frames, '23.6 frames', 'mm')).toBe(24);
        expect(['', '  ', 'many', '-4', '1001'].map((text) => typed(mm, text, 'mm'))).toEqual([null, null, null, null, null]);
    });
});
