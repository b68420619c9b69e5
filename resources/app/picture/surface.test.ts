import { expect, test } from 'vitest';
import { boxOf, nearerThan, type Path, type Target } from './surface';

/** What was cut out, as numbers. */
const cut = (target: Omit<Target, 'kind'>, mm: number): { left: boolean; region: (string | number)[] | null } => {
    let region: (string | number)[] | null = null;
    let last: (string | number)[] | null = null;
    const path = {
        beginPath: () => (last = null),
        rect: (...numbers: number[]) => (last = ['rect', ...numbers]),
        ellipse: (...numbers: number[]) => (last = ['ellipse', ...numbers.slice(0, 4)]),
        clip: () => (region = last),
    } as unknown as Path;
    const left = nearerThan(path, { kind: 'seed', ...target }, mm);
    return { left, region };
};
const size = { widthMm: 6, heightMm: 4, depthMm: 2 };

test('a sheet that leans is cut where it is that deep, its left side near', () => {
    expect(cut({ shape: 'sheet', ...size }, 0)).toEqual({ left: true, region: ['rect', -3, -4, 3, 8] });
    expect(cut({ shape: 'sheet', ...size }, 0.5).region?.[3]).toBeCloseTo(4.5, 12);
});

test('a dome is cut along a ring: at that ring it is that deep', () => {
    for (const mm of [-0.9, -0.2, 0.6]) {
        const [, , , rx = 0, ry = 0] = cut({ shape: 'dome', ...size }, mm).region ?? [];
        const rim = Number(rx) / 3;
        expect(Number(ry) / 2).toBeCloseTo(rim, 12);
        // d = -depth / 2 + depth (1 - sqrt(1 - rim^2))
        expect(-1 + 2 * (1 - Math.sqrt(1 - rim * rim))).toBeCloseTo(mm, 12);
    }
});

test('a cylinder is cut at both sides alike', () => {
    const [, x = 0, , w = 0] = cut({ shape: 'cylinder', ...size }, 0).region ?? [];
    expect(Number(w)).toBeCloseTo(-2 * Number(x), 12);
    expect(Number(w) / 6).toBeCloseTo(Math.sqrt(1 - 0.25), 12);
});

test('a box holds all that a cut leaves', () => {
    for (const shape of ['sheet', 'dome', 'cylinder'] as const) {
        for (const mm of [-0.7, 0, 0.8]) {
            const box = boxOf({ kind: 'seed', shape, ...size }, mm);
            const [what, x = 0, y = 0, a = 0, b = 0] = cut({ shape, ...size }, mm).region ?? [];
            const [left, right] = what === 'ellipse' ? [-Number(a), Number(a)] : [Number(x), Number(x) + Number(a)];
            expect(box.left).toBeLessThanOrEqual(left);
            expect(box.right).toBeGreaterThanOrEqual(right);
            if (what === 'ellipse') expect(box.low).toBeGreaterThanOrEqual(Number(b));
            else expect([box.top, box.low]).toEqual([-2.4, 2.4]);
            expect(Number(y)).toBeLessThanOrEqual(0);
        }
    }
    const face = boxOf({ kind: 'tooth', shape: 'step', ...size }, -1);
    for (const [side, mm] of [
        [face.left, -3.6],
        [face.right, 3.6],
        [face.top, -2.4],
        [face.low, 2.4],
    ] as const)
        expect(side).toBeCloseTo(mm, 9);
    expect(boxOf({ kind: 'seed', shape: 'dome', ...size }, -0.99).right).toBeLessThan(0.6);
});

test('behind the whole of it nothing is cut, before the whole of it nothing is left, and a flat one is whole', () => {
    expect(cut({ shape: 'dome', ...size }, 1)).toEqual({ left: true, region: null });
    expect(cut({ shape: 'dome', ...size }, -1)).toEqual({ left: false, region: null });
    expect(cut({ shape: 'sheet', ...size, depthMm: 0 }, 0)).toEqual({ left: true, region: null });
    expect(cut({ shape: 'step', ...size }, -1)).toEqual({ left: true, region: null });
});
