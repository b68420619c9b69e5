import { describe, expect, test } from 'vitest';
import { addressOf, asked, clauses, emptied, fromBlank, inBlank, isComplete, limits, targetOf, targets, wishIn } from './wish';

describe('a wish', () => {
    const empty = wishIn(new URLSearchParams());

    test('nothing is wanted by an empty address', () => {
        expect(empty).toEqual({ numbers: {}, infinity: false, automatic: null, support: null, ranking: 'ease' });
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
            wishIn(new URLSearchParams('magnification=much&leastRoomMm=&fieldWidthMm=Infinity&support=rope&ranking=luck&colour=red')),
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
