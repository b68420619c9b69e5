import { describe, expect, test } from 'vitest';
import type { RigView, SweepView } from '../../api/client';
import type { ActiveSweep } from '../../rig/displayedReadings';
import { told } from '../../ui/told';
import { liveOf, shownOf, type Asked } from './inHand';

const sweep = (revision: number) =>
    ({
        revision,
        travel: '1.length',
        index: 0,
        positions: [40, 41],
        frontMm: [40, 41],
        tipMm: [90, 91],
        readings: { magnification: [1, 1.5] },
        halfWidths: { magnification: [0.1, 0.2] },
        still: ['airyDiameterMm'],
        cornerParts: [],
        findings: [],
        focus: [],
        groups: [],
    }) as unknown as SweepView;
const rig = {
    revision: 7,
    readings: { magnification: 0.5, airyDiameterMm: 0.01 },
    doubts: [{ reading: 'magnification', halfWidth: 0.05 }],
    findings: [],
    focus: 'sharp',
    drawing: { parts: [{ index: 0, rearMm: 0, frontMm: 40 }], movement: null },
} as unknown as RigView;

describe('what is in the hand', () => {
    test('is let go when the rig is of another revision; then a control that waits to be sent tells', () => {
        const bench = { rig, hand: told<ActiveSweep>(), asked: told<Asked>(), resting: null };
        const held = { sweep: sweep(7), row: 0 };
        const old = { sweep: sweep(6), row: 0 };
        const resting = { sweep: sweep(7), row: 1 };
        expect(liveOf(bench, held)).toBe(held);
        expect(liveOf(bench, old)).toBeNull();
        expect(liveOf({ ...bench, resting }, old)).toBe(resting);
        expect(liveOf({ ...bench, resting }, held)).toBe(held);
        expect(liveOf({ ...bench, resting: old }, null)).toBeNull();
    });

    test('is looked up once for all who show it, and anew with the next step', () => {
        const first = { sweep: sweep(7), row: 0 };
        const next = { sweep: first.sweep, row: 1 };
        const shown = shownOf(rig, first);
        expect(shownOf(rig, first)).toBe(shown);
        expect([shown.reading('magnification'), shown.halfWidth('magnification'), shown.reading('airyDiameterMm')]).toEqual([1, 0.1, 0.01]);
        expect([shownOf(rig, next).reading('magnification'), shownOf(rig, next).drawing.tipMm]).toEqual([1.5, 91]);
        expect([shownOf(rig, null).reading('magnification'), shownOf(rig, null).halfWidth('magnification')]).toEqual([0.5, 0.05]);
        expect(shownOf({ ...rig }, null)).not.toBe(shownOf(rig, null));
    });
});
