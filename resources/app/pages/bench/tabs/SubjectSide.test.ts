import { describe, expect, it } from 'vitest';
import type { Schema } from '../../../api/client';
import { planesOf } from './SubjectSide';

const shots = (over: Partial<Schema['ShotsView']>): Schema['ShotsView'] => ({
    revision: 1,
    by: null,
    depthMm: 2,
    sagMm: 0,
    focusedAt: 0.4,
    singleAperture: 8,
    singleBlurMm: 0.02,
    singleBlurPixels: 5,
    stackAperture: 5.6,
    sliceMm: 1,
    overlap: 0.25,
    frames: 4,
    seconds: 16,
    scaleChange: 0.01,
    settleS: 2,
    betweenS: 2,
    batteryFrames: null,
    rail: null,
    railTrouble: null,
    ring: null,
    ringTrouble: null,
    bracketing: null,
    bracketLens: null,
    bracketPart: null,
    bracketMeasured: false,
    tried: null,
    ...over,
});
const ring = (planes: number[]) => ({
    lens: 'L',
    isWhole: true,
    seconds: 1,
    frames: planes.map((planeMm) => ({ said: '', focus: 0, planeMm, fieldMm: 1, sliceMm: 1 })),
});

describe('planes of what is planned', () => {
    it('is one, behind the nearest point, for one shot', () => expect(planesOf(shots({ by: 'single' }))).toEqual([0.8]));
    it('counts them by the step where nothing moves it yet, the last at the far end', () =>
        expect(planesOf(shots({}))).toEqual([0, 0.75, 1.5, 2]));
    it('takes the rail’s own places', () =>
        expect(
            planesOf(
                shots({
                    by: 'rail',
                    rail: {
                        frames: 2,
                        wayMm: 2,
                        stepMm: 1,
                        turnsAFrame: 1,
                        lines: 100,
                        seconds: 1,
                        at: [
                            { mm: 0, turns: 0, line: 0 },
                            { mm: 2, turns: 1, line: 60 },
                        ],
                    },
                }),
            ),
        ).toEqual([0, 2]));
    it('takes ring and camera from their first plane on', () => {
        expect(planesOf(shots({ by: 'ring', ring: ring([300, 301.5]) }))).toEqual([0, 1.5]);
        const bracketing = {
            setting: 1,
            frames: 2,
            widestMm: 1,
            leavesGap: false,
            firstFieldMm: 1,
            lastFieldMm: 1,
            start: '',
            seconds: 1,
            planesMm: [200, 201],
        };
        expect(planesOf(shots({ by: 'bracketing', bracketing }))).toEqual([0, 1]);
    });
    it('goes by the rail where what is planned can’t be done', () => expect(planesOf(shots({ by: 'ring' }))).toHaveLength(4));
});
