import { describe, expect, test } from 'vitest';
import { addressOf, asked, clauses, emptied, fromBlank, inBlank, isComplete, limits, targetOf, targets, wishIn } from './wish';

describe('a wish', () => {
    const empty = wishIn(new URLSearchParams());

    test('nothing is wanted by an empty address', () => {
        expect(empty).toEqual({
            numbers: {},
            infinity: false,
            flat: false,
            underWater: false,
            parts: { cameras: [], with: [], without: [] },
            automatic: null,
            support: null,
            ranking: 'ease',
        });
        expect(asked(empty)).toEqual({});
        expect(isComplete(empty)).toBe(false);
        expect(targetOf(empty).name).toBe('fieldWidthMm');
    });

    test('goes into the address and comes back whole, blank by blank', () => {
        const names = [...targets, ...limits, ...clauses.flatMap((clause) => clause.blanks)].map((blank) => blank.name);
        expect(new Set(names).size).toBe(names.length);
        const wish = {
            ...empty,
            numbers: Object.fromEntries(names.map((name, at) => [name, at + 0.25])),
            infinity: true,
            flat: true,
            underWater: true,
            parts: { cameras: [3], with: [12, 7], without: [9] },
            automatic: false,
            support: 'braced' as const,
            ranking: 'mass' as const,
        };
        expect(wishIn(addressOf(wish))).toEqual(wish);
        expect(wishIn(new URLSearchParams(addressOf(wish).toString()))).toEqual(wish);
        expect(wishIn(addressOf({ ...empty, automatic: true }))).toEqual({ ...empty, automatic: true });
    });

    test('what an address can’t mean is left out', () => {
        expect(
            wishIn(
                new URLSearchParams(
                    'magnification=much&leastRoomMm=&fieldWidthMm=Infinity&support=rope&ranking=luck&colour=red&with=x,-1,2.5&cameras=',
                ),
            ),
        ).toEqual(empty);
    });

    test('opens with what is met exactly', () => {
        expect(isComplete({ ...empty, numbers: { leastRoomMm: 60 } })).toBe(false);
        const far = { ...empty, numbers: { leastRoomMm: 60, subjectDistanceMm: 900 } };
        expect(isComplete(far)).toBe(true);
        expect(targetOf(far).name).toBe('subjectDistanceMm');
    });

    test('blanks are filled in the person’s units and hold millimetres', () => {
        expect(inBlank(25.4, 'length', 'in')).toBe('1');
        expect(inBlank(18, 'length', 'mm')).toBe('18');
        expect(inBlank(0.9, 'percent', 'in')).toBe('90');
        expect(inBlank(0.1 + 0.2, 'plain', 'mm')).toBe('0.3');
        expect(fromBlank(1, 'length', 'in')).toBe(25.4);
        expect(fromBlank(90, 'percent', 'mm')).toBe(0.9);
        for (const measure of ['length', 'plain', 'percent'] as const)
            for (const units of ['mm', 'in'] as const)
                expect(fromBlank(Number(inBlank(12.5, measure, units)), measure, units)).toBeCloseTo(12.5, 4);
    });

    test('a clause is taken out with all its blanks and nothing else', () => {
        const focus = clauses.find((clause) => clause.name === 'focus');
        expect(emptied({ focusFromMm: 300, focusToMm: 900, mostMassG: 500 }, focus?.blanks ?? [])).toEqual({ mostMassG: 500 });
    });
});

describe('the sentence', () => {
    const said = (blank: { before: string; after: (unit: string) => string }, unit = 'mm') =>
        `${blank.before} _ ${blank.after(unit)}`.trim();

    test('opens with one of four things that are met exactly', () => {
        expect(targets.map((target) => [target.name, said(target)])).toEqual([
            ['fieldWidthMm', 'Fill the frame with _ mm of subject'],
            ['magnification', 'Magnify _ times'],
            ['workingDistanceMm', 'Stand _ mm from the subject'],
            ['subjectDistanceMm', 'Focus at _ mm from the sensor'],
        ]);
    });

    test('goes on with limits, and with clauses when they are asked for', () => {
        expect(limits.map((limit) => [limit.name, said(limit)])).toEqual([
            ['leastRoomMm', 'from at least _ mm away'],
            ['mostStopsLost', 'losing at most _ stops'],
        ]);
        expect(
            Object.fromEntries(clauses.map((clause) => [clause.name, clause.blanks.map((blank) => `${blank.name}: ${said(blank)}`)])),
        ).toEqual({
            mass: ['mostMassG: weighing at most _ g with the camera'],
            length: ['mostLengthMm: at most _ mm long'],
            price: ['mostPrice: worth at most _ in all'],
            buying: ['mostMissingPrice: buying for at most _'],
            infinity: [],
            flat: [],
            underWater: [],
            focus: ['focusFromMm: focusing from _', 'focusToMm: to _ mm from the sensor'],
            depth: ['depthMm: with a slice of at least _ mm'],
            detail: ['detailMm: showing detail of _ mm'],
            corner: ['leastCorner: with corners at least _ % as bright as the middle'],
            subject: ['subjectDepthMm: of a subject _ mm deep'],
        });
    });

    test('says lengths in the person’s unit, and nothing else in it', () => {
        for (const blank of [...targets, ...limits, ...clauses.flatMap((clause) => clause.blanks)]) {
            const inches = said(blank, 'in');
            expect(inches, blank.name).not.toMatch(/\bmm\b/);
            if (blank.measure !== 'length') expect(said(blank, 'mm'), blank.name).toBe(inches);
        }
    });

    test('what doesn’t matter isn’t asked', () => {
        const wish = wishIn(new URLSearchParams('magnification=1'));
        expect(asked(wish)).toEqual({ magnification: 1 });
        expect(asked({ ...wish, automatic: true })).toEqual({ magnification: 1, automatic: 1 });
        expect(asked({ ...wish, automatic: false })).toEqual({ magnification: 1, automatic: 0 });
        expect(asked({ ...wish, infinity: true, support: 'hand' })).toEqual({ magnification: 1, infinity: 1, support: 'hand' });
        expect(asked({ ...wish, ranking: 'ease' })).toEqual({ magnification: 1 });
        expect(asked({ ...wish, ranking: 'room' })).toEqual({ magnification: 1, ranking: 'room' });
        expect(addressOf({ ...wish, support: 'table' }).toString()).toBe('magnification=1&support=table');
    });
});
