import { expect, test } from 'vitest';
import { develop, type Sheet } from './develop';
import { toLight, toScreen } from './light';

const sheet = (width: number, height: number, radius: number, tell: (x: number, y: number) => [number, number, number, number]): Sheet => {
    const pixels = new Uint8ClampedArray(width * height * 4);
    for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) pixels.set(tell(x, y), (y * width + x) * 4);
    return { pixels, radius, x: 0, y: 0, width, height };
};

test('light and screen go to and fro', () => {
    for (let n = 0; n < 256; n++) expect(Math.abs(toScreen(toLight[n] ?? 0) - n)).toBeLessThanOrEqual(n < 24 ? 1 : 0);
    expect(toLight[188]).toBeCloseTo(0.5, 1);
});

test('what is nearer stands before what is behind, channel by channel, and nothing shines through where both lie', () => {
    const far = sheet(24, 24, 0, () => [200, 0, 50, 255]);
    const near = sheet(24, 24, 2.5, (x) => (x < 12 ? [10, 220, 90, 255] : [0, 0, 0, 0]));
    const out = develop({ width: 20, height: 20, margin: 2, sheets: [far, near], sigma: 0, brightness: [] });
    const at = (x: number) => [...out.slice((10 * 20 + x) * 4, (10 * 20 + x) * 4 + 4)];
    expect(at(1)).toEqual([10, 220, 90, 255]);
    expect(at(18)).toEqual([200, 0, 50, 255]);
    // Half-way at the edge, in light.
    const half = (one: number, other: number) => toScreen(((toLight[one] ?? 0) + (toLight[other] ?? 0)) / 2);
    const edge = [9, 10].map(at);
    for (const c of [0, 1, 2]) {
        const mean = toScreen(((toLight[edge[0]?.[c] ?? 0] ?? 0) + (toLight[edge[1]?.[c] ?? 0] ?? 0)) / 2);
        expect(Math.abs(mean - half([200, 0, 50][c] ?? 0, [10, 220, 90][c] ?? 0))).toBeLessThanOrEqual(2);
    }
});

test('a sheet that covers a part lies where it says, and nowhere else', () => {
    const far = sheet(24, 24, 0, () => [255, 255, 255, 255]);
    const near = { ...sheet(6, 4, 0, () => [0, 0, 0, 255]), x: 9, y: 13 };
    const out = develop({ width: 20, height: 20, margin: 2, sheets: [far, near], sigma: 0, brightness: [] });
    for (let y = 0; y < 20; y++)
        for (let x = 0; x < 20; x++) expect(out[(y * 20 + x) * 4]).toBe(x >= 7 && x < 13 && y >= 11 && y < 15 ? 0 : 255);
});

test('it is as dark towards the corner as the table says, round the middle', () => {
    const white = sheet(40, 20, 0, () => [255, 255, 255, 255]);
    const out = develop({ width: 40, height: 20, margin: 0, sheets: [white], sigma: 0, brightness: [1, 1, 0.25] });
    const at = (x: number, y: number) => toLight[out[(y * 40 + x) * 4] ?? 0] ?? 0;
    expect(at(20, 10)).toBeCloseTo(1, 2);
    expect(at(0, 0)).toBeCloseTo(0.29, 1);
    expect(at(0, 0)).toBeCloseTo(at(39, 19), 6);
    // Half-way to the corner nothing is lost yet.
    expect(at(11, 10)).toBeCloseTo(1, 2);
    expect(at(0, 10)).toBeLessThan(0.6);
});
