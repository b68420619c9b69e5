import { expect, test } from 'vitest';
import { isWorthAnother } from './again';
import { Away, Refused } from './client';

const times = (error: unknown) => [0, 1, 2, 3, 4].filter((count) => isWorthAnother(count, error)).length;

test('what got no answer is asked twice more, what is refused for good never', () => {
    expect(times(new Away())).toBe(2);
    expect(times(new Away(503))).toBe(2);
    expect(times(new TypeError('anything'))).toBe(2);
    expect(times(new Refused(500, ''))).toBe(2);
    for (const status of [400, 403, 404, 419, 422, 429]) expect(times(new Refused(status, ''))).toBe(0);
});

test('a search that lost its place is asked three times more, what nobody was signed in for once', () => {
    expect(times(new Refused(409, ''))).toBe(3);
    expect(times(new Refused(401, ''))).toBe(1);
});
