import { describe, expect, it } from 'vitest';
import { lengthDigits } from '../../../ui/figures';
import { entryOf, secondsOf, secondsWords, trialOf, trialWords, Untyped, type Said } from './entryForm';

const from: Said = {
    subject: 'Seed',
    rig: { name: 'r' },
    scales: [
        { part: 'Bellows', reads: 'draw 84 mm' },
        { part: 'Lens', reads: 'f/5.6' },
    ],
    predicted: { magnification: 3.83 },
    measured: { magnification: 4.0312345, magnificationHalfWidth: 0.02, workingDistanceMm: 49.345678 },
    light: { source: 'flash', power: 1 / 48, distanceMm: 120.55555, note: 'kept' },
    aperture: 5.65432,
    exposureS: 1 / 197,
    iso: 100,
    frames: 46,
    trial: [{ aperture: 8, mtf50: 0.31, halfWidth: 0.01 }],
    pictures: [{ name: 'a.jpg' }],
    result: 4,
    note: 'Note',
};

const mm = { mm: 1, shown: (value: number) => lengthDigits(value, 'mm') };

/** What the form shows of it before anything is typed. */
const shown: Readonly<Record<string, string>> = {
    subject: 'Seed',
    reads0: 'draw 84 mm',
    reads1: 'f/5.6',
    magnification: '4.03',
    magnificationHalf: '0.02',
    room: '49.3',
    source: 'flash',
    power: '48',
    distance: '121',
    aperture: '5.65',
    exposure: '1/197',
    iso: '100',
    frames: '46',
    trial: '8 0.31 0.01',
    result: '4',
    note: 'Note',
};

const typed = (of: Readonly<Record<string, string>> = {}) => entryOf(from, (name) => ({ ...shown, ...of })[name] ?? '', mm);

describe('an entry as a form says it', () => {
    it('stays to the last digit where nothing was typed; pictures are kept elsewhere', () => {
        expect(typed()).toEqual({ ...from, pictures: undefined });
    });

    it('takes what was typed under its own name, and drops what was emptied', () => {
        const entry = typed({
            subject: 'Other',
            across: '5,86',
            acrossHalf: '0.1',
            room: '',
            slice: '0.06',
            sliceHalf: '0.01',
            magnification: '',
            magnificationHalf: '',
            exposure: '0.5',
            result: '',
            note: ' ',
            iso: '320',
            frames: '',
            power: '16',
            distance: '',
            angle: '35',
            ev: '-2',
        });
        expect(entry.measured).toEqual({ fieldWidthMm: 5.86, fieldWidthMmHalfWidth: 0.1, sliceMm: 0.06, sliceMmHalfWidth: 0.01 });
        expect(entry.light).toEqual({ source: 'flash', power: 1 / 16, angleDeg: 35, ev: -2, note: 'kept' });
        expect(entry).toMatchObject({ subject: 'Other', exposureS: 0.5, iso: 320, aperture: 5.65432, predicted: { magnification: 3.83 } });
        expect([entry.result, entry.note, entry.frames]).toEqual([undefined, undefined, undefined]);
        expect('frames' in entry).toBe(false);
    });

    it('says nothing of other settings than those it was said of', () => {
        const entry = typed({ reads0: 'draw 90 mm' });
        expect(entry.scales).toEqual([
            { part: 'Bellows', reads: 'draw 90 mm' },
            { part: 'Lens', reads: 'f/5.6' },
        ]);
        expect(entry.predicted).toBeUndefined();
    });

    it('takes inches for lengths', () => {
        const inches = { mm: 25.4, shown: (value: number) => lengthDigits(value, 'in') };
        const entry = entryOf(from, (name) => ({ ...shown, room: '2', distance: lengthDigits(120.55555, 'in') })[name] ?? '', inches);
        expect(entry.measured?.workingDistanceMm).toBeCloseTo(50.8, 9);
        expect(entry.light?.distanceMm).toBe(120.55555);
    });

    it('names what is no number', () => {
        expect(() => typed({ frames: 'many' })).toThrow('Frames: a number, please.');
        expect(() => typed({ exposure: '1/x' })).toThrow(Untyped);
        expect(() => typed({ trial: '8 sharp' })).toThrow('8 sharp');
        expect(() => typed({ trial: '8' })).toThrow(Untyped);
        expect(() => typed({ trial: '8 0.3 0.1 0.2' })).toThrow(Untyped);
    });
});

describe('shutters and trials as they are typed', () => {
    it('reads a shutter in its ways', () => {
        expect([secondsOf('1/200'), secondsOf('1 / 8 s'), secondsOf('0,5'), secondsOf('2 s'), secondsOf(' ')]).toEqual([
            1 / 200,
            1 / 8,
            0.5,
            2,
            null,
        ]);
        expect(() => secondsOf('-1')).toThrow(Untyped);
        expect(() => secondsOf('1/0')).toThrow(Untyped);
    });

    it('says it as it is engraved', () => {
        expect([secondsWords(1 / 200), secondsWords(0.25), secondsWords(0.5), secondsWords(2)]).toEqual(['1/200', '1/4', '0.5', '2']);
    });

    it('reads a line for each stop', () => {
        expect(trialOf('f/5.6 0.27 0.01\n\n 8; 0.31\n')).toEqual([
            { aperture: 5.6, mtf50: 0.27, halfWidth: 0.01 },
            { aperture: 8, mtf50: 0.31 },
        ]);
        expect(
            trialWords([
                { aperture: 5.6, mtf50: 0.27, halfWidth: 0.01 },
                { aperture: 8, mtf50: 0.31 },
            ]),
        ).toBe('5.6 0.27 0.01\n8 0.31');
    });
});
