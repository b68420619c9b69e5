import { expect, test } from 'vitest';
import { overDisc, overGaussian, type Plane } from './blur';

const plane = (width: number, height: number, tell: (x: number, y: number) => number): Plane => {
    const data = new Float32Array(width * height * 4);
    for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) for (let c = 0; c < 4; c++) data[(y * width + x) * 4 + c] = tell(x, y) * (c + 1);
    return { width, height, data };
};
const of = ({ width, data }: Plane, x: number, y: number, c = 0) => data[(y * width + x) * 4 + c] ?? NaN;

/** Standard deviation of the line that an edge turns into, px; the pixel's own share taken off. */
const spread = (row: readonly number[]): number => {
    let sum = 0;
    let mean = 0;
    let square = 0;
    for (let x = 1; x < row.length; x++) {
        const step = (row[x] ?? 0) - (row[x - 1] ?? 0);
        sum += step;
        mean += step * x;
        square += step * x * x;
    }
    mean /= sum;
    return Math.sqrt(Math.max(0, square / sum - mean * mean - 1 / 12));
};

test('a point over a disc keeps all its light and lies within the disc, every channel its own', () => {
    for (const radius of [0.4, 1, 2.3, 5.6]) {
        const out = overDisc(
            plane(31, 31, (x, y) => (x === 15 && y === 15 ? 1 : 0)),
            radius,
        );
        let sum = 0;
        for (let y = 0; y < 31; y++)
            for (let x = 0; x < 31; x++) {
                sum += of(out, x, y);
                if (Math.hypot(x - 15, y - 15) > radius + 1.5) expect(of(out, x, y)).toBeCloseTo(0, 7);
                if (Math.hypot(x - 15, y - 15) < radius - 1.5) expect(of(out, x, y)).toBeCloseTo(1 / (Math.PI * radius * radius), 2);
                expect(of(out, x, y, 3)).toBeCloseTo(4 * of(out, x, y), 6);
            }
        expect(sum).toBeCloseTo(1, 5);
    }
});

test('an edge over a disc is as wide as a disc’s edge is, in both directions: a quarter of its diameter', () => {
    for (const radius of [1.4, 3.3, 9]) {
        const across = overDisc(
            plane(64, 5, (x) => (x < 32 ? 0 : 1)),
            radius,
        );
        const down = overDisc(
            plane(5, 64, (_, y) => (y < 32 ? 0 : 1)),
            radius,
        );
        const rows = [Array.from({ length: 64 }, (_, x) => of(across, x, 2)), Array.from({ length: 64 }, (_, y) => of(down, 2, y))];
        for (const row of rows) expect(spread(row) / (radius / 2)).toBeCloseTo(1, 1);
        expect(rows[0]?.[0]).toBeCloseTo(0, 6);
        expect(rows[0]?.[63]).toBeCloseTo(1, 6);
    }
});

test('a wide disc, laid over a smaller picture, is as wide and keeps its place', () => {
    for (const radius of [6, 7.7, 12, 30, 47]) {
        const across = overDisc(
            plane(301, 9, (x) => (x < 150 ? 0 : 1)),
            radius,
        );
        const row = Array.from({ length: 301 }, (_, x) => of(across, x, 4));
        expect(spread(row) / (radius / 2)).toBeGreaterThan(0.97);
        expect(spread(row) / (radius / 2)).toBeLessThan(1.05);
        expect(((row[149] ?? 0) + (row[150] ?? 0)) / 2).toBeCloseTo(0.5, 1);
        expect(row[300]).toBeCloseTo(1, 5);
    }
});

test('an even plane stays even, to its edges, over a disc and over a Gaussian', () => {
    for (const out of [
        overDisc(
            plane(12, 9, () => 0.3),
            4.2,
        ),
        overDisc(
            plane(12, 9, () => 0.3),
            23,
        ),
        overGaussian(
            plane(12, 9, () => 0.3),
            2.1,
        ),
    ])
        for (let y = 0; y < 9; y++) for (let x = 0; x < 12; x++) expect(of(out, x, y)).toBeCloseTo(0.3, 5);
});

test('an edge over a Gaussian has its standard deviation, in both directions', () => {
    for (const sigma of [1.2, 4]) {
        const across = overGaussian(
            plane(64, 3, (x) => (x < 32 ? 0 : 1)),
            sigma,
        );
        const down = overGaussian(
            plane(3, 64, (_, y) => (y < 32 ? 0 : 1)),
            sigma,
        );
        expect(spread(Array.from({ length: 64 }, (_, x) => of(across, x, 1))) / sigma).toBeCloseTo(1, 1);
        expect(spread(Array.from({ length: 64 }, (_, y) => of(down, 1, y))) / sigma).toBeCloseTo(1, 1);
    }
});
