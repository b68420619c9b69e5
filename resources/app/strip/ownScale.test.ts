import { describe, expect, test } from 'vitest';
import type { TravelView } from '../api/client';
import { said, typedValue } from './ownScale';

describe('a part’s own scale', () => {
    const travel = (fields: Partial<TravelView>): TravelView =>
        ({
            name: '1.length',
            index: 1,
            kind: 'length',
            least: 36,
            greatest: 162,
            value: 60,
            zero: 0,
            per: 1,
            unit: 'mm',
            positions: [],
            engraved: [],
            ...fields,
        }) as TravelView;

    test('draw is counted from its scale zero', () => {
        const bellows = travel({ zero: 36 });
        expect(said(bellows, 60, 0, 'mm')).toBe('24.0 mm');
        expect(typedValue(bellows, '24', 'mm')).toBe(60);
        expect(typedValue(bellows, '2,4 cm', 'mm')).toBe(60);
        expect(typedValue(bellows, '1 in', 'mm')).toBeCloseTo(61.4, 9);
        expect(typedValue(bellows, '1', 'in')).toBeCloseTo(61.4, 9);
        expect(typedValue(bellows, '9999', 'mm')).toBe(162);
        expect(typedValue(bellows, '-9999', 'mm')).toBe(36);
        expect(typedValue(bellows, 'far out', 'mm')).toBeNull();
        expect(typedValue(bellows, '', 'mm')).toBeNull();
    });

    test('a helicoid in turns, or in millimetres when that is said', () => {
        const helicoid = travel({ zero: 20, per: 4, unit: 'turns', least: 20, greatest: 32 });
        expect(said(helicoid, 26, 0, 'mm')).toBe('1.50 turns');
        expect(typedValue(helicoid, '1.5', 'mm')).toBe(26);
        expect(typedValue(helicoid, '1.5 turns', 'mm')).toBe(26);
        expect(typedValue(helicoid, '26 mm', 'mm')).toBe(26);
    });

    test('a focus ring by scale, by distance, and at infinity', () => {
        const ring = travel({
            kind: 'focus',
            least: 0,
            greatest: 1,
            per: 5,
            positions: [0, 0.25, 0.5, 1],
            engraved: [null, 2000, 1000, 450],
        });
        expect(said(ring, 0, 0, 'mm')).toBe('∞');
        expect(said(ring, 0.5, 2, 'mm')).toBe('0.1× · 1 m');
        expect(said(ring, 1, 3, 'mm')).toBe('0.2× · 450\u2009mm');
        expect(typedValue(ring, '∞', 'mm')).toBe(0);
        expect(typedValue(ring, 'inf', 'mm')).toBe(0);
        expect(typedValue(ring, '0.1', 'mm')).toBe(0.5);
        expect(typedValue(ring, '0.1x', 'mm')).toBe(0.5);
        expect(typedValue(ring, '1.1 m', 'mm')).toBe(0.5);
        expect(typedValue(ring, '470 mm', 'mm')).toBe(1);
    });

    test('a zoom is set in millimetres, whatever lengths are told in', () => {
        const zoom = travel({ kind: 'zoom', least: 24, greatest: 70 });
        for (const units of ['mm', 'in'] as const) {
            expect(said(zoom, 35, 0, units)).toBe('35\u2009mm');
            expect(typedValue(zoom, '35', units)).toBe(35);
        }
        const ring = travel({ kind: 'focus', least: 0, greatest: 1, per: 5, positions: [0, 1], engraved: [null, 2540] });
        expect(said(ring, 1, 1, 'in')).toBe('0.2× · 100\u2009in');
        expect(said(ring, 1, 1, 'mm')).toBe('0.2× · 2.54 m');
    });

    test('an aperture with and without its f, a swing in degrees', () => {
        const aperture = travel({ kind: 'aperture', least: 2.8, greatest: 22 });
        expect(said(aperture, 8, 0, 'mm')).toBe('f/8');
        for (const text of ['8', 'f8', 'f/8', 'F/8']) expect(typedValue(aperture, text, 'mm')).toBe(8);
        expect(typedValue(aperture, '1', 'mm')).toBe(2.8);
        const swing = travel({ kind: 'swing', least: -20, greatest: 20 });
        expect(said(swing, -7.5, 0, 'mm')).toBe('-7.5°');
        expect(typedValue(swing, '-7.5°', 'mm')).toBe(-7.5);
    });
});
