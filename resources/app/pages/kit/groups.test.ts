import { describe, expect, test } from 'vitest';
import type { KitPart } from '../../api/client';
import { massOf, narrowed, rowsOf } from './groups';

/** A part of a kit with what these functions look at. */
function owned(
    kind: string,
    name: string,
    more: { ref?: string; note?: string; rear?: string; front?: string; massG?: number; count?: number; measure?: string } = {},
): KitPart {
    return {
        ref: more.ref ?? name.toLowerCase().replaceAll(' ', '-'),
        note: more.note ?? null,
        massG: more.massG ?? null,
        part: { kind, name, measure: more.measure ?? '', rear: more.rear ?? null, front: more.front ?? null, count: more.count ?? 1 },
    } as unknown as KitPart;
}

const kit = [
    owned('lens', 'Moor 50', { rear: 'larch', front: 'M52×0.75', massG: 195 }),
    owned('tube', 'Tube 9', { rear: 'larch', front: 'larch', massG: 62, measure: '9 mm' }),
    owned('afocal', 'Wide converter'),
    owned('camera', 'Body A', { front: 'tern', massG: 480 }),
    owned('lamp', 'Desk lamp'),
    owned('close-up-lens', 'Close-up +4', { note: 'scratched, good for rings' }),
    owned('hood', 'Hood 52', { rear: 'M52×0.75' }),
    owned('tube', 'Tube 31', { rear: 'larch', massG: 98, count: 2 }),
];

describe('the shelf', () => {
    test('rows stand in the order in which a rig is built, parts in the order in which they came', () => {
        expect(rowsOf(kit).map((row) => row.parts.map(({ part }) => part.name))).toEqual([
            ['Body A'],
            ['Tube 9', 'Tube 31'],
            ['Hood 52'],
            ['Moor 50'],
            ['Wide converter', 'Close-up +4'],
            ['Desk lamp'],
        ]);
    });

    test('every kind there is has its row, and one alone', () => {
        const kinds = [
            'camera',
            'adapter',
            'tube',
            'reversing-ring',
            'coupling-ring',
            'step-ring',
            'filter',
            'hood',
            'helicoid',
            'bellows',
            'lens',
            'close-up-lens',
            'objective',
            'teleconverter',
            'afocal',
            'port',
            'rail',
            'tripod',
            'stand',
            'flash',
            'lamp',
            'reference',
        ];
        for (const kind of kinds)
            expect(
                rowsOf([owned(kind, kind)]).map((row) => row.parts.length),
                kind,
            ).toEqual([1]);
        expect(rowsOf(kinds.map((kind) => owned(kind, kind))).map((row) => row.parts.length)).toEqual([1, 4, 6, 1, 4, 6]);
        expect(rowsOf([])).toEqual([]);
    });

    test('what is typed narrows it, each word anywhere', () => {
        const named = (search: string) => narrowed(kit, search).map(({ part }) => part.name);
        expect(named('')).toHaveLength(kit.length);
        expect(named('   ')).toHaveLength(kit.length);
        expect(named('tube')).toEqual(['Tube 9', 'Tube 31']);
        expect(named('TUBE 9')).toEqual(['Tube 9']);
        expect(named('52')).toEqual(['Moor 50', 'Hood 52']);
        expect(named('52 larch')).toEqual(['Moor 50']);
        expect(named('scratched rings')).toEqual(['Close-up +4']);
        expect(named('tube-31')).toEqual(['Tube 31']);
        expect(named('prism')).toEqual([]);
        expect(kit).toHaveLength(8);
    });

    test('mass counts every piece, and what isn’t weighed not at all', () => {
        expect(massOf(kit)).toBe(195 + 62 + 480 + 2 * 98);
        expect(massOf([])).toBe(0);
        expect(massOf([owned('tube', 'To buy', { massG: 50, count: 0 })])).toBe(0);
    });
});
