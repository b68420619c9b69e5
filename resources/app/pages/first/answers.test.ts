import { describe, expect, test } from 'vitest';
import { asked, blanksFor, numbersIn, withNumber } from './answers';

describe('answers in an address', () => {
    test('only answers, in one order whatever order they came in', () => {
        const one = asked(new URLSearchParams('tubes=20,10&utm=x&body=mirror-36&focalMm=50&closeUp='));
        const other = asked(new URLSearchParams('focalMm=50&body=mirror-36&tubes=20,10'));
        expect(one.toString()).toBe(other.toString());
        expect([...one.keys()]).toEqual(['body', 'focalMm', 'tubes']);
    });

    test('a list is read, changed at a place, added to, taken from and emptied', () => {
        expect(numbersIn('20,10')).toEqual([20, 10]);
        expect(numbersIn('20,,x,1.5')).toEqual([20, 1.5]);
        expect(numbersIn(null)).toEqual([]);
        expect(withNumber([20, 10], 1, 12)).toBe('20,12');
        expect(withNumber([20, 10], 2, 5)).toBe('20,10,5');
        // A blank further on than the end is the next one.
        expect(withNumber([20], 4, 5)).toBe('20,5');
        expect(withNumber([20, 10], 0, null)).toBe('10');
        expect(withNumber([20], 0, null)).toBeNull();
        expect(withNumber([1, 2, 3, 4, 5, 6], 6, 7)).toBe('1,2,3,4,5,6');
    });

    test('one blank more than there are, up to six', () => {
        expect([0, 1, 5, 6].map((n) => blanksFor(Array.from({ length: n }, () => 1)))).toEqual([1, 2, 6, 6]);
    });
});
