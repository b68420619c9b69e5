import { expect, test } from 'vitest';
import type { Schema } from '../../api/client';
import { csvOf } from './csv';

const rig = (fields: Record<string, unknown>, readings: Record<string, unknown>) =>
    ({
        letter: 'A',
        name: null,
        cameraName: 'Body A',
        title: 'Tube 9 + Moor 50',
        settings: ['Moor 50 f/8', 'ring at ∞'],
        met: true,
        resolvedDetailMm: 0.0045,
        pixelsLeft: 6000,
        cropToMm: null,
        blurAtEdgeMm: null,
        readings: { magnification: 0.5, workingDistanceMm: 108.123456, joints: 3, ...readings },
        ...fields,
    }) as unknown as Schema['ComparedRigView'];

test('every figure stands under its name, unrounded, and what isn’t known is empty', () => {
    const [head = '', line = ''] = csvOf([rig({}, { fieldWidthMm: 72, subjectDistanceMm: null, massG: 900 })]).split('\r\n');
    const cells = Object.fromEntries(head.split(',').map((name, at) => [name, line.split(',')[at]]));
    expect(cells).toMatchObject({
        Rig: 'A',
        Name: '',
        Camera: 'Body A',
        'As asked': 'yes',
        magnification: '0.5',
        fieldWidthMm: '72',
        workingDistanceMm: '108.123456',
        subjectDistanceMm: '',
        massG: '900',
        joints: '3',
        resolvedDetailMm: '0.0045',
        pixelsLeft: '6000',
        cropToMm: '',
    });
});

test('names that would end a cell or be taken for a formula don’t', () => {
    const text = csvOf([rig({ name: '=1+1, "so"', met: false }, {})]);
    expect(text).toContain(`"'=1+1, ""so"""`);
    expect(text).toContain('as near as it gets');
    expect(text.split('\r\n')).toHaveLength(3);
});
