import { expect, test } from 'vitest';
import { between, slabs } from './layers';

/** As the core tells it: M 1.5, Neff 20, pupil 80 mm off. */
const at = (d: number) => ({
    atMm: d,
    magnification: (1.5 * 80) / (80 + d),
    discMm: (((2 * 1.5 * 1.5) / 40) * 80 * Math.abs(d)) / (80 + d),
});

test('both ends tell every layer that the core cuts', () => {
    const [near, far] = [at(-2), at(2)];
    const ends = { nearScale: near.magnification, nearDiscMm: near.discMm, farScale: far.magnification, farDiscMm: far.discMm };
    const layers = between(ends, { shape: 'dome', depthMm: 4 }, 1.6);
    // A quarter of 1.6 goes into 4 ten times.
    expect(layers).toHaveLength(10);
    expect(layers[0]?.atMm).toBeCloseTo(1.8, 12);
    expect(layers[9]?.atMm).toBeCloseTo(-1.8, 12);
    for (const layer of layers) {
        expect(layer.magnification).toBeCloseTo(at(layer.atMm).magnification, 12);
        expect(layer.discMm).toBeCloseTo(at(layer.atMm).discMm, 12);
    }
    expect(between(ends, { shape: 'dome', depthMm: 4 }, 0.01)).toHaveLength(64);
    expect(between(ends, { shape: 'dome', depthMm: 4 }, null)).toHaveLength(1);
    const flat = { nearScale: 1.5, nearDiscMm: 0, farScale: 1.5, farDiscMm: 0 };
    expect(between(flat, { shape: 'sheet', depthMm: 0 }, 1)).toEqual([{ atMm: 0, magnification: 1.5, discMm: 0 }]);
});

test('of a step there is its ground and its face, however alike they look', () => {
    const [near, far] = [at(-2), at(2)];
    const layers = between(
        { nearScale: near.magnification, nearDiscMm: near.discMm, farScale: far.magnification, farDiscMm: far.discMm },
        { shape: 'step', depthMm: 4 },
        1.6,
    );
    expect(layers).toEqual([far, near]);
    expect(slabs(layers, { shape: 'step', depthMm: 4 }, 0.001)).toHaveLength(2);
});

test('neighbours whose discs look alike are painted as one, and no two that don’t', () => {
    const cut = { shape: 'dome', depthMm: 4 } as const;
    const layers = Array.from({ length: 16 }, (_, n) => at(2 - (n + 0.5) / 4));
    const fine = slabs(layers, cut, 400);
    expect(fine[0]?.toMm).toBeCloseTo(2, 12);
    // Each begins where the one behind it ends, no two neighbours' discs differ by less than can be seen, none is left out.
    for (const [n, slab] of fine.entries()) {
        const next = fine[n + 1];
        if (!next) continue;
        expect(next.toMm).toBeLessThan(slab.toMm);
        expect(layers.some((layer) => Math.abs(layer.atMm + 0.125 - next.toMm) < 1e-9)).toBe(true);
    }
    const near = fine[1];
    const within = layers.filter((layer) => layer.atMm < (near?.toMm ?? 0) && layer.atMm > (fine[2]?.toMm ?? 0));
    expect(near?.radius).toBeCloseTo((within.reduce((sum, layer) => sum + layer.discMm, 0) / within.length) * 200, 9);
    expect(near?.magnification).toBeCloseTo(within.reduce((sum, layer) => sum + layer.magnification, 0) / within.length, 9);
    const coarse = slabs(layers, cut, 20);
    expect(coarse.length).toBeLessThan(fine.length);
    expect(coarse[0]?.toMm).toBeCloseTo(2, 12);
    const one = slabs(layers, { shape: 'dome', depthMm: 4 }, 0.001);
    expect(one).toHaveLength(1);
    expect(slabs([], { shape: 'dome', depthMm: 4 }, 10)).toEqual([]);
});
