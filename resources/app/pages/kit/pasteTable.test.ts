import { describe, expect, test } from 'vitest';
import { laidOver, pastedRows } from './pasteTable';

describe('a pasted table', () => {
    test('one word is no table', () => {
        expect(pastedRows('31')).toBeNull();
        expect(pastedRows('31\n')).toBeNull();
    });

    test('tabs, semicolons and spaces part cells; empty ones are kept', () => {
        expect(pastedRows('31\t2400\t\t97\n65\t3100\t10\n')).toEqual([
            ['31', '2400', '', '97'],
            ['65', '3100', '10'],
        ]);
        expect(pastedRows('31;0,605\r\n65;1,27')).toEqual([
            ['31', '0,605'],
            ['65', '1,27'],
        ]);
        expect(pastedRows('12 0.236\n65 1.272')).toEqual([
            ['12', '0.236'],
            ['65', '1.272'],
        ]);
    });

    test('a line of headings is passed over', () => {
        expect(pastedRows('draw\tpixels\n31\t2400')).toEqual([['31', '2400']]);
    });

    test('it fills blanks from where it was pasted, and makes the rows it needs', () => {
        const blank = { a: '', b: '', c: '' };
        const rows = [{ a: '1', b: '2', c: '3' }];
        expect(laidOver(rows, ['a', 'b', 'c'], { row: 0, name: 'b' }, [['7', '8', '9'], ['4']], blank)).toEqual([
            { a: '1', b: '7', c: '8' },
            { a: '', b: '4', c: '' },
        ]);
        expect(rows).toEqual([{ a: '1', b: '2', c: '3' }]);
    });
});
