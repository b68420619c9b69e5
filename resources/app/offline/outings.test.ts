import { describe, expect, test } from 'vitest';
import { conflicts, newId, nowHere, standing } from './outings';

const of = (id: string, ...replaces: string[]) => ({ entry: { id, replaces } });

describe('entries', () => {
    test('what is replaced stands no more, and what replaces the same stands beside each other', () => {
        const all = [of('a'), of('b', 'a'), of('c', 'a'), of('d'), of('e', 'd'), of('f', 'e')];
        expect(standing(all).map(({ entry }) => entry.id)).toEqual(['b', 'c', 'f']);
        expect(conflicts(all).map((group) => group.map(({ entry }) => entry.id))).toEqual([['b', 'c']]);
        // Somebody says which: one that replaces both ends it.
        expect(conflicts([...all, of('g', 'b', 'c')])).toEqual([]);
        expect(standing([...all, of('g', 'b', 'c')]).map(({ entry }) => entry.id)).toEqual(['f', 'g']);
    });

    test('two that replace the same two are one conflict', () => {
        expect(conflicts([of('a'), of('b'), of('c', 'a', 'b'), of('d', 'a', 'b')])).toHaveLength(1);
    });

    test('an id is a UUID of its own', () => {
        const ids = Array.from({ length: 200 }, newId);
        for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
        expect(new Set(ids).size).toBe(200);
    });

    test('now says the offset of this place', () => {
        const at = new Date('2026-12-04T09:20:31Z');
        expect(nowHere(at)).toMatch(/^2026-12-0[345]T\d\d:\d\d:31[+-]\d\d:\d\d$/);
        expect(Date.parse(nowHere(at))).toBe(at.getTime());
    });
});
