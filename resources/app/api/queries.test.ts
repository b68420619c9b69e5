import { QueryClient } from '@tanstack/react-query';
import { describe, expect, test } from 'vitest';
import type { KitView, RigView } from './client';
import { jointsChanged, keys, kitChanged, kitIsOld, rigsChanged } from './queries';

const kit = { id: 4, revision: 7 } as KitView;
const rig = { id: 9, revision: 3 } as RigView;

/** Everything that is ever kept, as it would be after a day's work. */
const kept = {
    me: keys.me,
    sessions: keys.sessions,
    signIns: keys.signIns,
    guide: keys.guide,
    patterns: keys.patterns,
    joints: keys.joints,
    kits: keys.kits,
    kit: keys.kit(4),
    deleted: keys.deleted(4),
    map: keys.map(kit),
    crossing: keys.crossing(kit, 'larch', 'tern'),
    card: keys.card(kit, 'ladder', {}),
    overview: keys.overview(kit),
    first: keys.find('first', kit, {}),
    whole: keys.find('whole', kit, {}),
    near: keys.find('near', kit, {}),
    wishes: keys.wishes(4),
    rigs: keys.rigs,
    rigsLike: keys.rigsLike('moss', 1),
    rig: keys.rig(9),
    sweep: keys.sweep(9, 3, '1.length'),
    tray: keys.tray(9, 'tube', 1),
    mends: keys.mends(9, 3),
    states: keys.states(rig),
    state: keys.state(rig, 2),
    proposals: keys.proposals(4),
    shared: keys.shared('abc'),
} as const;

/** Which of them are asked anew after something has happened. */
function stale(happens: (queries: QueryClient) => void): string[] {
    const queries = new QueryClient();
    for (const key of Object.values(kept)) queries.setQueryData([...key], {});
    happens(queries);
    return Object.entries(kept)
        .filter(([, key]) => queries.getQueryState([...key])?.isInvalidated)
        .map(([name]) => name);
}

describe('what is asked anew', () => {
    test('no two things are kept under one key', () => {
        const all = Object.values(kept).map((key) => JSON.stringify(key));
        expect(new Set(all).size).toBe(all.length);
    });

    test('after a kit has changed: what rests on its parts, and nothing of the account', () => {
        expect(stale((queries) => void kitChanged(queries, undefined))).toEqual([
            'kits',
            'kit',
            'deleted',
            'map',
            'crossing',
            'rigs',
            'rigsLike',
            'rig',
            'sweep',
            'tray',
            'mends',
            'proposals',
        ]);
    });

    test('a kit that came back with the change is taken as it is', () => {
        const queries = new QueryClient();
        queries.setQueryData([...keys.kit(4)], { id: 4, revision: 6 });
        void kitChanged(queries, kit);
        expect(queries.getQueryData(keys.kit(4))).toEqual(kit);
        expect(queries.getQueryState(keys.kit(4))?.isInvalidated).toBe(false);
        expect(queries.getQueryData(keys.kit(5))).toBeUndefined();
    });

    test('after somebody else’s change: the kit alone; of rigs and joints: their lists alone', () => {
        expect(stale(kitIsOld)).toEqual(['kit']);
        expect(stale(rigsChanged)).toEqual(['rigs', 'rigsLike']);
        expect(stale(jointsChanged)).toEqual(['joints']);
    });

    test('what is worked out from a kit or a rig is kept by its revision, so that an old answer is never a new one’s', () => {
        const newer = { ...kit, revision: 8 };
        for (const [one, other] of [
            [keys.map(kit), keys.map(newer)],
            [keys.crossing(kit, 'a', 'b'), keys.crossing(newer, 'a', 'b')],
            [keys.crossing(kit, 'a', 'b'), keys.crossing(kit, 'b', 'a')],
            [keys.card(kit, 'ladder', {}), keys.card(newer, 'ladder', {})],
            [keys.overview(kit), keys.overview(newer)],
            [keys.find('first', kit, {}), keys.find('first', newer, {})],
            [keys.find('first', kit, { magnification: 1 }), keys.find('first', kit, { magnification: 2 })],
            [keys.sweep(9, 3, '1.length'), keys.sweep(9, 4, '1.length')],
            [keys.sweep(9, 3, '1.length'), keys.sweep(9, 3, '2.length')],
            [keys.mends(9, 3), keys.mends(9, 4)],
            [keys.states(rig), keys.states({ ...rig, revision: 4 })],
            [keys.state(rig, 1), keys.state(rig, 2)],
        ])
            expect(one).not.toEqual(other);
    });
});
