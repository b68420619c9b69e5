import { expect, test } from 'vitest';
import { bestOf } from './SideBySide';

test('the best stands out where there is one, and nothing where figures read alike', () => {
    expect(bestOf([60, 80, null], 'more')).toBe(80);
    expect(bestOf([60, 80, null], 'less')).toBe(60);
    expect(bestOf([60, 80], null)).toBeNull();
    expect(bestOf([61.8, 61.9], 'more')).toBeNull();
    expect(bestOf([61.8, 62.5], 'more')).toBe(62.5);
    expect(bestOf([null, 80], 'more')).toBeNull();
    expect(bestOf([0, 1], 'less')).toBe(0);
});
