import { expect, test } from 'vitest';
import { zoomsIn } from './zoomsIn';

test('settings of a zoom are the numbers in what was typed, whatever stands between them', () => {
    expect(zoomsIn('28, 42.5 and 70')).toBe('28,42.5,70');
    expect(zoomsIn('35mm;50mm')).toBe('35,50');
    expect(zoomsIn('')).toBe('');
    expect(zoomsIn('wide')).toBe('');
});

test('not more than eight are taken', () => {
    expect(zoomsIn('1 2 3 4 5 6 7 8')).toBe('1,2,3,4,5,6,7,8');
    expect(zoomsIn('1 2 3 4 5 6 7 8 9')).toBe('1,2,3,4,5,6,7,8');
});
