import type { QueryClient } from '@tanstack/react-query';
import type { KitView, RigView, Schema } from './client';

/** Every key under which an answer is kept. What is asked anew when something changes stands below, and nowhere else. */
export const keys = {
    me: ['me'],
    first: (answers: string) => ['first', answers],
    sessions: ['sessions'],
    signIns: ['sign-ins'],
    guide: ['guide'],
    patterns: ['patterns'],
    joints: ['joints'],
    kits: ['kits'],
    kit: (id: number | undefined) => ['kit', id],
    deleted: (kit: number) => ['deleted', kit],
    /** How sure a lens is, by what is filled in. */
    lens: (kit: number, fields: string) => ['lens', kit, fields],
    measured: (kit: number, part: number, version: number, zoom: number | undefined) => ['measured', kit, part, version, zoom],
    words: (kit: number, revision: number, text: string) => ['words', kit, revision, text],
    map: (kit: KitView) => ['map', kit.id, kit.revision],
    crossing: (kit: KitView, front: string, rear: string) => ['crossing', kit.id, kit.revision, front, rear],
    card: (kit: KitView | undefined, kind: string, query: unknown) => ['card', kit?.id, kit?.revision, kind, query],
    overview: (kit: KitView | undefined) => ['overview', kit?.id, kit?.revision],
    find: (what: 'first' | 'whole' | 'near' | 'missed', kit: KitView | undefined, wish: unknown) => [
        'find',
        what,
        kit?.id,
        kit?.revision,
        wish,
    ],
    wishes: (kit: number) => ['wishes', kit],
    comparison: (query: unknown) => ['comparison', query],
    comparisonSweep: (query: unknown, rig: number, travel: string) => ['comparison', 'sweep', query, rig, travel],
    comparisons: ['comparisons'],
    questions: (kit: KitView | undefined) => ['questions', kit?.id, kit?.revision],
    outings: ['outings'],
    outing: (id: number) => ['outing', id],
    outingPlan: (id: number, revision: number | undefined) => ['outing-plan', id, revision],
    outingSheets: (id: number) => ['outing-sheets', id],
    log: (query: unknown) => ['log', query],
    ledger: ['ledger'],
    entry: (outing: number, entry: string) => ['entry', outing, entry],
    blankEntry: (rig: string | null) => ['blank-entry', rig],
    since: (outing: number, entry: string) => ['since', outing, entry],
    trialOfEntry: (outing: number, entry: string) => ['trial', outing, entry],
    entrySheet: (outing: number, entry: string) => ['entry-sheet', outing, entry],
    rigs: ['rigs'],
    rigsLike: (search: string, page: number) => ['rigs', search, page],
    rig: (id: number) => ['rig', id],
    sweep: (rig: number, revision: number, travel: string) => ['sweep', rig, revision, travel],
    light: (rig: number, revision: number) => ['light', rig, revision],
    lightSweep: (rig: number, revision: number, travel: string) => ['light', 'sweep', rig, revision, travel],
    shots: (rig: number, revision: number) => ['shots', rig, revision],
    look: (rig: number, revision: number) => ['look', rig, revision],
    sheet: (rig: number) => ['sheet', rig],
    tray: (rig: number, make: string, index: number) => ['tray', rig, make, index],
    derivation: (rig: number, revision: number, reading: string) => ['derivation', rig, revision, reading],
    mends: (rig: number, revision: number | undefined) => ['mends', rig, revision],
    states: (rig: RigView) => ['states', rig.id, rig.revision],
    state: (rig: RigView, number: number | null) => ['state', rig.id, rig.revision, number],
    proposals: (kit: number | undefined) => ['proposals', kit],
    evenings: ['evenings'],
    evening: (id: number) => ['evening', id],
    joined: (token: string) => ['joined', token],
    eveningResults: (token: string, key: string) => ['evening-results', token, key],
    shared: (token: string) => ['shared', token],
} as const;

const stale = (queries: QueryClient, ...heads: readonly string[]) => {
    for (const head of heads) void queries.invalidateQueries({ queryKey: [head] });
};

/**
 * A kit has changed: rigs follow corrections, the tray and the map show the kit. Over when the kit that was left is here,
 * with the revision that an undo is meant for.
 */
export async function kitChanged(queries: QueryClient, kit: KitView | undefined): Promise<void> {
    if (kit) queries.setQueryData(keys.kit(kit.id), kit);
    const here = kit ? undefined : queries.invalidateQueries({ queryKey: ['kit'] });
    stale(
        queries,
        'kits',
        'deleted',
        'map',
        'tray',
        'rig',
        'rigs',
        'sweep',
        'mends',
        'crossing',
        'proposals',
        'comparison',
        'light',
        'shots',
        'look',
        'sheet',
        'outing-plan',
        'outing-sheets',
        'since',
        'entry-sheet',
        'blank-entry',
        'ledger',
    );
    await here;
}

/** The kit was changed by somebody else meanwhile. */
export function kitIsOld(queries: QueryClient): void {
    stale(queries, 'kit');
}

/** A rig was made, named, tagged or deleted. */
export function rigsChanged(queries: QueryClient): void {
    stale(queries, 'rigs', 'comparisons');
}

/** A comparison was kept or dropped. */
export function comparisonsChanged(queries: QueryClient): void {
    stale(queries, 'comparisons');
}

/** An outing was made, changed or deleted. */
export function outingChanged(queries: QueryClient, outing: Schema['OutingView'] | null): void {
    if (outing) queries.setQueryData(keys.outing(outing.id), outing);
    stale(queries, 'outings', 'outing-sheets', 'log');
}

/** Something was written down, or written down again. */
export function logChanged(queries: QueryClient): void {
    stale(queries, 'log', 'ledger', 'since', 'entry-sheet');
}

/** An outing was changed elsewhere meanwhile. */
export function outingIsOld(queries: QueryClient): void {
    stale(queries, 'outing');
}

/** An evening was opened or taken back. */
export function eveningsChanged(queries: QueryClient): void {
    stale(queries, 'evenings');
}

/** Own joints were added or dropped. */
export function jointsChanged(queries: QueryClient): void {
    stale(queries, 'joints');
}
