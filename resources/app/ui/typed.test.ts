import { describe, expect, test } from 'vitest';
import { typed, typedNumber } from './typed';

describe('typed text', () => {
    test('a comma is a point, nothing is nothing, and words stay for the server to name', () => {
        expect(typed(' 12,5 ')).toBe(12.5);
        expect(typed('-3')).toBe(-3);
        expect(typed('  ')).toBeUndefined();
        expect(typed('twelve')).toBe('twelve');
        expect(typed('Infinity')).toBe('Infinity');
        expect(typedNumber('12,5')).toBe(12.5);
        expect(typedNumber('twelve')).toBeNull();
        expect(typedNumber('')).toBeNull();
    });
});
