import { expect, test } from 'vitest';
import { strokes } from './strokes';

test('each stroke begins at its own place and goes on by the length', () => {
    expect(strokes([4, 9.5], 20, 7)).toBe('M4 20v7M9.5 20v7');
    expect(strokes([], 20, 7)).toBe('');
});
