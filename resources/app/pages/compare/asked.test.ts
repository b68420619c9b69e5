import { describe, expect, test } from 'vitest';
import { asked, queryOf } from './asked';

describe('what an address compares', () => {
    const of = (text: string) => asked(new URLSearchParams(text));

    test('rigs by number, each once, nine at the most', () => {
        expect(of('rigs=4,2,4,x,-1,0,1.5').rigs).toEqual([4, 2]);
        expect(of('rigs=1,2,3,4,5,6,7,8,9,10,11').rigs).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
        expect(of('').rigs).toEqual([]);
    });

    test('what can’t be is left out', () => {
        expect(of('rigs=1&to=width&value=-3&stop=wide&effective=0&depth=x')).toEqual({
            rigs: [1],
            to: '',
            value: null,
            stop: '',
            effective: null,
            depthMm: null,
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
    });
});
