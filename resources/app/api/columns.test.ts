import { expect, test } from 'vitest';
import { unpacked } from './columns';

test('a column is summed up as often as it says, and has its decimal places', () => {
    expect(unpacked({ decimals: 5, order: 2, steps: [3600000, -3550000, 0, 0, 0] })).toEqual([36, 36.5, 37, 37.5, 38]);
    expect(unpacked({ decimals: 1, order: 0, steps: [4, 11, -7], none: [] })).toEqual([0.4, 1.1, -0.7]);
    expect(unpacked({ decimals: 0, order: 3, steps: [1, 1, 1, 0], none: [] })).toEqual([1, 4, 10, 19]);
    expect(unpacked({ decimals: -7, order: 1, steps: [1234568, 1111111], none: [] })).toEqual([12345680000000, 23456790000000]);
});

test('a figure is the number that its decimals are', () => {
    const wholes = Array.from({ length: 2000 }, (_, row) => 123456 + row * 987653);
    const steps = wholes.map((whole, row) => whole - (wholes[row - 1] ?? 0));
    const told = unpacked({ decimals: 7, order: 1, steps, none: [] });
    expect(told).toEqual(wholes.map((whole) => Number(`${whole}e-7`)));
});

test('rows without a figure stand where they stood', () => {
    const told = unpacked({
        decimals: 1,
        order: 1,
        steps: [15, 10, 10],
        none: [
            [0, 1],
            [3, 3],
            [6, 6],
        ],
    });
    expect(told).toEqual([null, null, 1.5, null, 2.5, 3.5, null]);
    expect(unpacked({ decimals: 0, order: 1, steps: [], none: [[0, 2]] })).toEqual([null, null, null]);
});

test('everything else of an answer is left as it is', () => {
    const sent = {
        travel: '1.length',
        readings: { magnification: { decimals: 0, order: 0, steps: [2], none: [] } },
        groups: [{ zi: { decimals: 0, order: 0, steps: [3] }, cone: { decimals: 0, order: 0, steps: [], none: [[0, 0]] } }],
        focus: [{ from: 0, to: 0, state: 'sharp' }],
        cornerPart: null,
    };
    expect(unpacked(sent)).toEqual({
        travel: '1.length',
        readings: { magnification: [2] },
        groups: [{ zi: [3], cone: [null] }],
        focus: [{ from: 0, to: 0, state: 'sharp' }],
        cornerPart: null,
    });
});
