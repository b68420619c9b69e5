import { describe, expect, test } from 'vitest';
import type { Schema } from '../../api/client';
import { rigsOf, type Held } from './inHand';

const rig = (id: number) =>
    ({
        id,
        readings: { magnification: 0.5, depthOfFieldMm: 1 },
        halfWidths: {},
        drawn: [],
        tipMm: 90,
        findings: ['A corner is dark.'],
        columns: 0,
    }) as unknown as Schema['ComparedRigView'];
const view = () => ({ rigs: [rig(3), rig(5)], target: {} }) as unknown as Schema['ComparisonView'];
const held = (id: number, row: number) =>
    ({
        id,
        row,
        sweep: {
            sweep: { index: 0, readings: { magnification: [1, 1.5] }, halfWidths: {}, tipMm: [80, 81], frontMm: [40, 41], groups: [] },
            nearScale: [],
            nearDiscMm: [],
            farScale: [],
            farDiscMm: [],
            resolvedDetailMm: [0.004, 0.003],
            gaussianMm: [],
        },
    }) as unknown as Held;

describe('compared rigs under the hand', () => {
    test('are those that were told while nothing is held', () => {
        const told = view();
        expect(rigsOf(told, null)).toBe(told.rigs);
    });

    test('the held one stands where its control does, the others are the very ones that were told', () => {
        const told = view();
        const [first, second] = rigsOf(told, held(5, 1));
        expect(first).toBe(told.rigs[0]);
        expect(second?.readings.magnification).toBe(1.5);
        expect(second?.tipMm).toBe(81);
        expect(second?.resolvedDetailMm).toBe(0.003);
        expect(second?.findings).toEqual([]);
    });

    test('are worked out once a step, whoever asks, and anew of what is told anew', () => {
        const told = view();
        const step = held(5, 0);
        const now = rigsOf(told, step);
        expect(rigsOf(told, step)).toBe(now);
        expect(rigsOf(told, held(5, 1))[1]?.readings.magnification).toBe(1.5);
        expect(rigsOf(view(), step)).not.toBe(now);
        expect(rigsOf(told, null)[1]?.readings.magnification).toBe(0.5);
    });
});
