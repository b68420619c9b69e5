import { describe, expect, test } from 'vitest';
import { readFileSync } from 'node:fs';
import {
    digits,
    fNumber,
    kindWords,
    length,
    lengthDigits,
    magnification,
    mass,
    measureIn,
    phrase,
    ratio,
    stops,
    withHalf,
} from './figures';

describe('figures', () => {
    const table = JSON.parse(readFileSync(new URL('../../../core/tests/cases/phrases.json', import.meta.url), 'utf8')) as [
        string,
        number,
        string,
        string,
    ][];
    test('inches are for lengths; a focal length stays in millimetres', () => {
        expect(phrase('Zoom to {value:focal}', { value: 80 }, 'in')).toBe('Zoom to 80\u2009mm');
        expect(phrase('Set it to {value:mm}', { value: 25.4 }, 'in')).toBe('Set it to 1\u2009in');
        expect(measureIn('lens', '24–70\u2009mm · f/4', 'in')).toBe('24–70\u2009mm · f/4');
        expect(measureIn('tube', '25.4\u2009mm', 'in')).toBe('1\u2009in');
        expect(measureIn('bellows', '25.4–127\u2009mm', 'in')).toBe('1–5\u2009in');
        expect(measureIn('camera', '25.4 × 50.8\u2009mm · register 18.4', 'in')).toBe('1 × 2\u2009in · register 18.4');
        expect(measureIn('tube', '25.4\u2009mm', 'mm')).toBe('25.4\u2009mm');
    });

    test('every number is said as the core says it', () => {
        expect(table.length).toBeGreaterThan(30);
        for (const [what, value, unit, expected] of table)
            expect(phrase(unit ? `{x:${unit}}` : '{x}', { x: value }, 'mm'), what).toBe(expected);
    });

    test('each unit has its own function too', () => {
        expect(digits(54.92)).toBe('54.9');
        expect(magnification(2.0226)).toBe('2.02×');
        expect(fNumber(38.476)).toBe('f/38');
        expect(stops(-0.66)).toBe('−⅔ stop');
    });

    test('inches keep the precision of the millimetres they stand for', () => {
        expect(lengthDigits(54.92, 'in')).toBe('2.16');
        expect(lengthDigits(0.018, 'in')).toBe('0.00071');
        expect(lengthDigits(25.4, 'in')).toBe('1');
        expect(lengthDigits(254 * 12, 'in')).toBe('120');
        expect(length(25.4, 'in')).toBe('1\u2009in');
        expect(phrase('{room:mm} left', { room: 25.4 }, 'in')).toBe('1\u2009in left');
    });

    test('what a sentence lacks stays empty, and words go in as they are', () => {
        expect(phrase('{part} and {missing:mm}.', { part: 'Tube {x}' }, 'mm')).toBe('Tube {x} and .');
    });

    test('ratios, masses and kinds in words', () => {
        expect(ratio(0)).toBe('1 : ∞');
        expect(ratio(0.625)).toBe('1 : 1.6');
        expect(ratio(1)).toBe('1 : 1');
        expect(ratio(1.2)).toBe('1.2 : 1');
        expect(ratio(3.9)).toBe('3.9 : 1');
        expect(ratio(0.002)).toBe('1 : 500');
        expect(mass(640.4)).toBe('640\u2009g');
        expect(mass(1640)).toBe('1.6\u2009kg');
        expect(kindWords('close-up-lens')).toBe('close-up lens');
        expect(kindWords('reversing-ring')).toBe('reversing ring');
    });

    test('a figure and its half-width end at the same digit', () => {
        expect(withHalf(51.1078, 0.2146)).toBe('51.11 ± 0.21');
        expect(withHalf(-3.8016, 10.42)).toBe('−4 ± 10');
        expect(withHalf(0.14298, 0.00422)).toBe('0.1430 ± 0.0042');
        expect(withHalf(44.5, 0.0992)).toBe('44.500 ± 0.099');
        expect(withHalf(143.5, 9.62)).toBe('143.5 ± 9.6');
        expect(withHalf(1.08, 0)).toBe('1.08');
    });
});
