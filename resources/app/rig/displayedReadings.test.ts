import { describe, expect, test } from 'vitest';
import type { RigView, SweepView } from '../api/client';
import { displayedReadings, misfits } from './displayedReadings';

const part = (index: number, rearMm: number, frontMm: number) => ({ index, rearMm, frontMm });

const rig = {
    readings: { magnification: 0.5, workingDistanceMm: 100, extensionMm: 31, cornerPart: 'Hood' },
    focus: 'sharp',
    doubts: [{ reading: 'magnification', halfWidth: 0.01 }],
    findings: [{ code: 'touching', severity: 'warn', index: null, pattern: 'as set', numbers: {} }],
    chain: [
        { index: 0, fit: 'mates' },
        { index: 1, fit: 'look-alike' },
        { index: 2, fit: 'improvised' },
        { index: 3, fit: 'differs' },
        { index: 4, fit: 'unknown' },
    ],
    drawing: { parts: [part(0, 44, 60), part(1, 60, 100), part(2, 100, 140)], groups: [], tipMm: 140, balanceMm: 50, subjectMm: 240 },
} as unknown as RigView;

const sweep = {
    index: 1,
    readings: { magnification: [0.1, 0.2, 0.3], subjectDistanceMm: [300, 280, null], entrancePupilMm: [200, null, 150] },
    still: ['extensionMm'],
    halfWidths: { magnification: [0.001, 0.002, null] },
    cornerParts: [
        { from: 0, to: 0, part: 'Tube' },
        { from: 2, to: 2, part: 'Hood' },
    ],
    focus: [
        { from: 0, to: 1, state: 'sharp' },
        { from: 2, to: 2, state: 'past-infinity' },
    ],
    findings: [
        { code: 'flare', severity: 'note', index: null, pattern: 'a', numbers: {}, columns: {}, from: 0, to: 2 },
        { code: 'touching', severity: 'stop', index: 2, pattern: 'b', numbers: { limit: 5 }, columns: { room: [4, 3] }, from: 1, to: 2 },
        { code: 'vignette', severity: 'warn', index: 1, pattern: 'c', numbers: {}, columns: {}, from: 1, to: 1 },
    ],
    frontMm: [90, 100, 110],
    tipMm: [130, 140, 150],
    groups: [{ zi: [1, 2, 3], zo: [4, 5, 6], cone: [7, null, 9], chief: [null, 11, 12] }],
} as unknown as SweepView;

describe('what the screen shows', () => {
    test('as set: the figures of the server', () => {
        const shown = displayedReadings(rig, null);
        expect(shown.reading('magnification')).toBe(0.5);
        expect(shown.reading('workingDistanceMm')).toBe(100);
        expect(shown.halfWidth('magnification')).toBe(0.01);
        expect(shown.halfWidth('workingDistanceMm')).toBeNull();
        expect(shown.cornerPart).toBe('Hood');
        expect(shown.focus).toBe('sharp');
        expect(shown.findings.map(({ pattern }) => pattern)).toEqual(['as set']);
        expect(shown.drawing).toBe(rig.drawing);
    });

    test('while a control is held: the row under the hand, of every column', () => {
        const at = (row: number) => displayedReadings(rig, { sweep, row });
        expect([0, 1, 2].map((row) => at(row).reading('magnification'))).toEqual([0.1, 0.2, 0.3]);
        expect([0, 1, 2].map((row) => at(row).halfWidth('magnification'))).toEqual([0.001, 0.002, null]);
        // What the sweep hasn't got is nothing, never the figure of before.
        expect(at(1).reading('workingDistanceMm')).toBeNull();
        // Unless the sweep says that the control doesn't move it.
        expect(at(1).reading('extensionMm')).toBe(31);
        expect([0, 1, 2].map((row) => at(row).cornerPart)).toEqual(['Tube', null, 'Hood']);
        expect([0, 1, 2].map((row) => at(row).focus)).toEqual(['sharp', 'sharp', 'past-infinity']);
    });

    test('findings stand from their first row to their last, the worst first, with the numbers of the row', () => {
        const at = (row: number) => displayedReadings(rig, { sweep, row }).findings;
        expect(at(0).map(({ pattern }) => pattern)).toEqual(['a']);
        expect(at(1).map(({ pattern }) => pattern)).toEqual(['b', 'c', 'a']);
        expect(at(2).map(({ pattern }) => pattern)).toEqual(['b', 'a']);
        expect(at(1)[0]?.numbers).toEqual({ limit: 5, room: 4 });
        expect(at(2)[0]?.numbers).toEqual({ limit: 5, room: 3 });
    });

    test('the drawing: what lies behind stays, the part that moves gets longer, what lies before it is carried along', () => {
        const { drawing } = displayedReadings(rig, { sweep, row: 2 });
        expect(drawing.parts.map(({ rearMm, frontMm }) => [rearMm, frontMm])).toEqual([
            [44, 60],
            [60, 110],
            [110, 150],
        ]);
        expect(drawing.tipMm).toBe(150);
        expect(drawing.groups).toEqual([{ zi: 3, zo: 6, cone: 9, chief: 12 }]);
        expect(drawing.subjectMm).toBeNull();
        expect(drawing.entrancePupilMm).toBeNull();
        expect(drawing.balanceMm).toBeNull();
        const first = displayedReadings(rig, { sweep, row: 0 }).drawing;
        expect(first.entrancePupilMm).toBe(100);
        expect(first.groups[0]?.chief).toBeNull();
        expect(displayedReadings(rig, { sweep, row: 1 }).drawing.balanceMm).toBe(50);
    });

    test('a joint that does not hold is a misfit; one that is taped, or not known, is none', () => {
        expect([...misfits(rig)]).toEqual([1, 3]);
    });
});
