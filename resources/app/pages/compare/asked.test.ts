import { describe, expect, test } from 'vitest';
import { addressOf, asked, letterOf, queryOf, withoutRig, withSet } from './asked';

describe('what an address compares', () => {
    const of = (text: string) => asked(new URLSearchParams(text));

    test('rigs by number, each once, sixty-four at the most', () => {
        expect(of('rigs=4,2,4,x,-1,0,1.5').rigs).toEqual([4, 2]);
        expect(of(`rigs=${Array.from({ length: 70 }, (_, n) => n + 1).join(',')}`).rigs).toHaveLength(64);
        expect(of('').rigs).toEqual([]);
    });

    test('what can’t be is left out', () => {
        expect(of('rigs=1&to=width&value=-3&stop=wide&effective=0&depth=x&target=moon&set=A,B:1.length:x,A:1.length:5')).toEqual({
            rigs: [1],
            to: '',
            value: null,
            stop: '',
            effective: null,
            target: 'subject',
            depthMm: null,
            set: ['A:1.length:5'],
        });
    });

    test('the server is asked when every blank it needs is filled', () => {
        expect(queryOf(of(''))).toBeNull();
        expect(queryOf(of('rigs=1'))).toEqual({ rigs: '1' });
        expect(queryOf(of('rigs=1,2&to=magnification'))).toBeNull();
        expect(queryOf(of('rigs=1,2&to=magnification&value=2'))).toEqual({ rigs: '1,2', to: 'magnification', value: 2 });
        expect(queryOf(of('rigs=1,2&to=closest&value=2'))).toEqual({ rigs: '1,2', to: 'closest' });
        expect(queryOf(of('rigs=1&stop=effective'))).toBeNull();
        expect(queryOf(of('rigs=1&stop=effective&effective=16'))).toEqual({ rigs: '1', effective: 16 });
        expect(queryOf(of('rigs=1&stop=sharpest&effective=16&depth=3'))).toEqual({ rigs: '1', sharpest: 1, depthMm: 3 });
        expect(queryOf(of('rigs=1&value=3'))).toEqual({ rigs: '1' });
        expect(queryOf(of('rigs=1&target=seed&depth=0&set=A:1.length:5,A:2.aperture:8'))).toEqual({
            rigs: '1',
            target: 'seed',
            depthMm: 0,
            set: 'A:1.length:5,A:2.aperture:8',
        });
        expect(queryOf(of('rigs=1&target=subject'))).toEqual({ rigs: '1' });
    });

    test('what was kept becomes the address that it was', () => {
        for (const text of [
            'rigs=4,2&to=magnification&value=2&stop=sharpest&target=seed&depth=1.2&set=B:1.length:5',
            'rigs=1&stop=effective&effective=16',
            'rigs=1,2&to=closest',
        ]) {
            const query = queryOf(of(text));
            const { rigs = '', ...blanks } = query ?? {};
            expect(of(addressOf(rigs.split(',').map(Number), blanks).split('?')[1] ?? '')).toEqual(of(text));
        }
    });

    test('a control is set by hand once, and letters move up when a rig is left out', () => {
        const set = withSet(withSet(['A:1.length:5', 'C:1.length:7'], 'C', '1.length', 8.12345678), 'B', '2.aperture', 11);
        expect(set).toEqual(['A:1.length:5', 'C:1.length:8.123457', 'B:2.aperture:11']);
        expect(withoutRig(set, 1)).toEqual(['A:1.length:5', 'B:1.length:8.123457']);
        expect(withoutRig(set, 0)).toEqual(['B:1.length:8.123457', 'A:2.aperture:11']);
        expect([0, 25, 26, 51, 52, 63].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA', 'BL']);
    });
});
