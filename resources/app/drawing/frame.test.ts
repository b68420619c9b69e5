import { describe, expect, test } from 'vitest';
import type { Schema } from '../api/client';
import { framed, frameOf } from './frame';
import { commonScale, rigOutline } from './rigOutline';

describe('outlines and frames are to scale', () => {
    const rig = {
        body: { frontMm: 44.5, backMm: -28, heightMm: 80 },
        drawn: [{ kind: 'tube', rearMm: 44.5, frontMm: 64.5, outerMm: 60, rearOuterMm: 60, frontOuterMm: 60 }],
        tipMm: 64.5,
        subjectDistanceMm: 164.5,
    } as unknown as Schema['FoundRig'];

    test('a row’s rig keeps its scale, and only the air before it is cut short', () => {
        const near = rigOutline(rig, 0.5, 200, 40);
        expect(near.broken).toBe(false);
        expect(near.tipX).toBeCloseTo(150, 9);
        const far = rigOutline({ ...rig, subjectDistanceMm: 5000 }, 0.5, 200, 40);
        expect(far.broken).toBe(true);
        expect(far.tipX).toBeGreaterThan(0);
        expect(far.tipX).toBeLessThan(200);
        expect(rigOutline({ ...rig, subjectDistanceMm: null }, 0.5, 200, 40).tipX).toBe(200);
    });

    test('one scale lets the longest and the tallest of some rigs stand', () => {
        const scale = commonScale([rig, { ...rig, tipMm: 464.5 }], 360, 80);
        expect((464.5 + 28) * scale).toBeLessThanOrEqual(360 * 0.72 + 1e-9);
        expect(80 * 0.8 * scale).toBeLessThanOrEqual(76 + 1e-9);
        expect(commonScale([], 360, 80)).toBeLessThanOrEqual(1);
    });

    test('a millimetre is as wide as it is high, and a far subject breaks the axis instead of the scale', () => {
        const drawing = {
            camera: { backMm: -28, heightMm: 80 },
            tipDiameterMm: 60,
            parts: [{ kind: 'tube', outerMm: 60 }],
        } as unknown as Schema['DrawingView'];
        const near = frameOf(drawing, 900, 400, 120, 180);
        expect(near.broken).toBe(false);
        expect(near.x(110) - near.x(10)).toBeCloseTo(100 * near.scale, 9);
        expect(near.y(-50) - near.y(50)).toBeCloseTo(100 * near.scale, 9);
        expect(near.x(-28)).toBeGreaterThanOrEqual(0);
        expect(near.x(180)).toBeLessThanOrEqual(900);
        const far = frameOf(drawing, 900, 400, 120, 5000);
        expect(far.broken).toBe(true);
        expect(far.subjectX).not.toBeNull();
        expect(far.scale).toBeGreaterThan(near.scale * 0.5);
        expect(frameOf(drawing, 900, 400, 120, null).broken).toBe(true);
    });

    test('the words of a frame tell apart all that makes another one, and nothing else', () => {
        const drawing = {
            camera: { backMm: -28, frontMm: 44.5, heightMm: 80 },
            tipDiameterMm: 60,
            tipMm: 120,
            parts: [
                { kind: 'bellows', rearMm: 44.5, frontMm: 94.5, outerMm: 90 },
                { kind: 'lens', rearMm: 94.5, frontMm: 120, outerMm: 60 },
            ],
        } as unknown as Schema['DrawingView'];
        const { camera, parts } = drawing;
        const [bellows, lens] = parts as [Schema['DrawingPart'], Schema['DrawingPart']];
        const words = framed(drawing, 900, 400, 220, 300);
        const others = [
            framed({ ...drawing, camera: { ...camera, backMm: -30 } }, 900, 400, 220, 300),
            framed({ ...drawing, camera: { ...camera, heightMm: 90 } }, 900, 400, 220, 300),
            framed({ ...drawing, tipDiameterMm: 61 }, 900, 400, 220, 300),
            framed({ ...drawing, parts: [{ ...bellows, outerMm: 91 }, lens] }, 900, 400, 220, 300),
            framed({ ...drawing, parts: [{ ...bellows, kind: 'tube' }, lens] }, 900, 400, 220, 300),
            framed({ ...drawing, parts: [bellows] }, 900, 400, 220, 300),
            framed(drawing, 901, 400, 220, 300),
            framed(drawing, 900, 401, 220, 300),
            framed(drawing, 900, 400, 221, 300),
            framed(drawing, 900, 400, 220, 301),
            framed(drawing, 900, 400, 220, null),
        ];
        expect(new Set([words, ...others]).size).toBe(others.length + 1);
        const drawn = {
            ...drawing,
            tipMm: 200,
            parts: [
                { ...bellows, frontMm: 174.5 },
                { ...lens, rearMm: 174.5, frontMm: 200 },
            ],
        };
        expect(framed(drawn, 900, 400, 220, 300)).toBe(words);
        const [one, other] = [frameOf(drawing, 900, 400, 220, 300), frameOf(drawn, 900, 400, 220, 300)];
        expect([other.x(50), other.y(20), other.scale, other.ruleY]).toEqual([one.x(50), one.y(20), one.scale, one.ruleY]);
    });
});
