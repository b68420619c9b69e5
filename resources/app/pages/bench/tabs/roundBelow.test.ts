import { describe, expect, it } from 'vitest';
import { roundBelow } from './roundBelow';

describe('a round number below', () => {
    it.each([
        [1, 1],
        [1.99, 1],
        [2, 2],
        [4.9, 2],
        [5, 5],
        [9.99, 5],
        [10, 10],
        [0.13, 0.1],
        [0.001, 0.001],
    ])('%s is %s', (value, round) => expect(roundBelow(value)).toBeCloseTo(round, 9));
});
