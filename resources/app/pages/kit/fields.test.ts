import { describe, expect, test } from 'vitest';
import type { PartFields } from '../../api/client';
import { halfWidthOf, jointSpoken, jointTyped, valueAt, withHalfWidth, withValue } from './fields';

describe('the fields of a part', () => {
    const lens: PartFields = { kind: 'lens', aperture: { widest: 2.8 }, measured: { focalLengthMm: 0.2 } };

    test('nested ones are read and changed by a dot, and the part stays as it was', () => {
        expect(valueAt(lens, 'aperture.widest')).toBe(2.8);
        expect(valueAt(lens, 'aperture.smallest')).toBeUndefined();
        expect(valueAt(lens, 'kind.of')).toBeUndefined();
        expect(withValue(lens, 'aperture.smallest', 22)).toEqual({ ...lens, aperture: { widest: 2.8, smallest: 22 } });
        expect(withValue(lens, 'name', 'Fell 35')).toEqual({ ...lens, name: 'Fell 35' });
        expect(lens).toEqual({ kind: 'lens', aperture: { widest: 2.8 }, measured: { focalLengthMm: 0.2 } });
    });

    test('what is taken away leaves no empty shell', () => {
        expect(withValue(lens, 'aperture.widest', undefined)).toEqual({ kind: 'lens', measured: { focalLengthMm: 0.2 } });
        expect(withHalfWidth(lens, 'focalLengthMm', undefined)).toEqual({ kind: 'lens', aperture: { widest: 2.8 } });
        expect(halfWidthOf(withHalfWidth(lens, 'frontRimMm', 0.5), 'frontRimMm')).toBe(0.5);
        expect(halfWidthOf(lens, 'frontRimMm')).toBeUndefined();
    });

    test('a joint is understood as people write it, and said as they say it', () => {
        for (const text of ['M42x1', 'm42×1', '42 x 1', 'thread:42x1', 'M 42 x 1']) expect(jointTyped(text)).toBe('thread:42x1');
        expect(jointTyped('39x26 tpi')).toBe('thread:39x26tpi');
        expect(jointTyped('52 x 0,75')).toBe('thread:52x0.75');
        expect(jointTyped('30,5 x 0,5')).toBe('thread:30.5x0.5');
        expect(jointTyped(' larch ')).toBe('larch');
        expect(jointTyped(' ')).toBeUndefined();
        expect(jointSpoken('thread:42x1')).toBe('M42×1');
        expect(jointSpoken('thread:39x26tpi')).toBe('39 × 26 tpi');
        expect(jointSpoken('larch')).toBe('larch');
    });
});
