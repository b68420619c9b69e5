import { describe, expect, test } from 'vitest';
import type { Schema } from '../api/client';
import { askedDrawing, lyingAt, type Lying } from './asked';

type Drawing = Schema['DrawingView'];

const lying = (name: string, lengthMm: number, reversed = false): Lying => ({
    reversed,
    part: {
        id: 1,
        kind: 'tube',
        name,
        silhouette: { lengthMm, outerMm: 62, rearOuterMm: 58, frontOuterMm: 54, design: null, longestMm: null },
    } as unknown as Schema['PartView'],
});
const standing = (index: number, label: string, rearMm: number, frontMm: number) => ({
    ...lyingAt(lying(label, frontMm - rearMm), index, rearMm),
    stopMm: label === 'lens' ? rearMm + 12 : null,
});
const drawing = {
    camera: { frontMm: 44, backMm: -20, heightMm: 80, mountMm: 44, gripMm: 0, estimated: false },
    sensorMm: 24,
    parts: [standing(0, 'tube', 44, 58), standing(1, 'lens', 58, 98), standing(2, 'glass', 98, 104)],
    groups: [{ zi: 70, zo: 74, cone: 10, chief: 3 }],
    cornerMm: 21,
    cornerAtSubjectMm: 20,
    tipMm: 104,
    tipDiameterMm: 54,
    subjectMm: 240,
    entrancePupilMm: 80,
    balanceMm: 60,
    movement: null,
} as unknown as Drawing;
const places = ({ parts }: Drawing) => parts.map(({ index, label, rearMm, frontMm }) => [index, label, rearMm, frontMm]);

describe('a rig as it will stand', () => {
    test('with parts put in carries along what stands before them, and keeps what stands behind', () => {
        const asked = askedDrawing(drawing, 1, 0, [lying('ring', 5), lying('bellows', 30)]);
        expect(places(asked)).toEqual([
            [0, 'tube', 44, 58],
            [1, 'ring', 58, 63],
            [2, 'bellows', 63, 93],
            [3, 'lens', 93, 133],
            [4, 'glass', 133, 139],
        ]);
        expect(asked.parts[3]?.stopMm).toBe(58 + 12 + 35);
        expect(asked.tipMm).toBe(139);
    });

    test('with a part taken off closes up, with one changed for another stands as long as that one', () => {
        expect(places(askedDrawing(drawing, 1, 1, []))).toEqual([
            [0, 'tube', 44, 58],
            [1, 'glass', 58, 64],
        ]);
        expect(places(askedDrawing(drawing, 1, 1, [lying('other', 25)]))).toEqual([
            [0, 'tube', 44, 58],
            [1, 'other', 58, 83],
            [2, 'glass', 83, 89],
        ]);
        const bare = askedDrawing({ ...drawing, parts: drawing.parts.slice(0, 1) }, 0, 1, []);
        expect([places(bare), bare.tipMm]).toEqual([[], 44]);
    });

    test('at the camera and at the front end it begins where the metal ends', () => {
        expect(places(askedDrawing(drawing, 0, 0, [lying('ring', 5)]))[0]).toEqual([0, 'ring', 44, 49]);
        const longer = askedDrawing(drawing, 3, 0, [lying('filter', 4)]);
        expect(places(longer)[3]).toEqual([3, 'filter', 104, 108]);
        expect(longer.tipDiameterMm).toBe(54);
    });

    test('says nothing of light, subject or balance', () => {
        const asked = askedDrawing(drawing, 3, 0, [lying('filter', 4)]);
        expect(asked.groups).toEqual([]);
        expect([asked.subjectMm, asked.cornerAtSubjectMm, asked.entrancePupilMm, asked.balanceMm, asked.movement]).toEqual([
            null,
            null,
            null,
            null,
            null,
        ]);
    });

    test('turned round a part has its other end in front', () => {
        const usual = lyingAt(lying('ring', 5), 0, 10);
        const turned = lyingAt(lying('ring', 5, true), 0, 10);
        expect([usual.rearOuterMm, usual.frontOuterMm, usual.reversed]).toEqual([58, 54, false]);
        expect([turned.rearOuterMm, turned.frontOuterMm, turned.reversed]).toEqual([54, 58, true]);
    });
});
