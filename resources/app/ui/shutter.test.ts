import { describe, expect, it } from 'vitest';
import { power, shutter, time } from './shutter';

const plain = (text: string) => text.replaceAll('\u2009', ' ');

describe('shutter', () => {
    it.each([
        [1 / 8000, '1/8000 s'],
        [1 / 67.4, '1/67 s'],
        [1 / 125, '1/130 s'],
        [1 / 4, '1/4 s'],
        [0.299, '1/3 s'],
        [0.3, '0.3 s'],
        [0.5, '0.5 s'],
        [4, '4 s'],
        [89.9, '89.9 s'],
        [90, '1.5 min'],
        [600, '10 min'],
    ])('%d s is said %s', (seconds, said) => expect(plain(shutter(seconds))).toBe(said));
});

describe('power', () => {
    it.each([
        [1, '1/1'],
        [1 / 2, '1/2'],
        [2 ** (-1 / 3), '1/2 + ⅔'],
        [2 ** (-2 / 3), '1/2 + ⅓'],
        [2 ** (-14 / 3), '1/32 + ⅓'],
        [1 / 256, '1/256'],
    ])('%d is said %s', (share, said) => expect(power(share)).toBe(said));
});

describe('time', () => {
    it.each([
        [8.4, '8 s'],
        [89.4, '89 s'],
        [90, '2 min'],
        [5399, '90 min'],
        [5400, '1.5 h'],
    ])('%d s is said %s', (seconds, said) => expect(plain(time(seconds))).toBe(said));
});
