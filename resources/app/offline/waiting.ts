import type { DBSchema } from 'idb';
import type { Step } from '../api/client';
import { opened } from './opened';

/** A step that was taken while the server was away: kept on this device until it has been sent. */
export interface WaitingStep {
    /** What this device calls the step. Sent twice, it is taken once. */
    id: string;
    person: number;
    rig: number;
    /** The revision that the person saw; a step after another waiting one is meant for whatever that one leaves. */
    revision: number | null;
    step: Step;
    /** Milliseconds since 1970: steps are sent in this order. */
    at: number;
}

interface Store extends DBSchema {
    steps: { key: string; value: WaitingStep; indexes: { rig: [number, number] } };
}

const database = opened<Store>('zinc-thimble', 2, (db, before, _, transaction) => {
    if (before < 1) db.createObjectStore('steps', { keyPath: 'id' }).createIndex('rig', ['person', 'rig']);
    const steps = transaction.objectStore('steps');
    if (before === 1) {
        void steps.getAll().then((all) => Promise.all(all.map((kept) => steps.put({ ...kept, step: inPresentShape(kept.step) }))));
    }
});

/** Steps of one person's rig in the order in which they were taken. */
export async function waitingSteps(person: number, rig: number): Promise<WaitingStep[]> {
    const steps = await (await database()).getAllFromIndex('steps', 'rig', [person, rig]);
    return steps.sort((a, b) => a.at - b.at);
}

export async function keepStep(step: WaitingStep): Promise<void> {
    await (await database()).put('steps', step);
}

export async function dropSteps(ids: readonly string[]): Promise<void> {
    const transaction = (await database()).transaction('steps', 'readwrite');
    await Promise.all([...ids.map((id) => transaction.store.delete(id)), transaction.done]);
}

/**
 * What the waiting steps of one control come to, where that is all that waits: its figures can be looked up in its own sweep. Null when
 * nothing waits, or something else does too: then no figure for it is on this device.
 */
export function waitingSet(steps: readonly WaitingStep[]): { travel: string; value: number } | null {
    const last = steps.at(-1)?.step;
    if (last?.action !== 'set') return null;
    return steps.every(({ step }) => step.action === 'set' && step.travel === last.travel)
        ? { travel: last.travel, value: last.value }
        : null;
}

/** Where controls that were set while the server was away stand now, by travel. */
export function waitingValues(steps: readonly WaitingStep[]): ReadonlyMap<string, number> {
    const values = new Map<string, number>();
    for (const { step } of steps) {
        if (step.action === 'set') values.set(step.travel, step.value);
    }
    return values;
}

/** A step as devices kept it until one class stood for ten actions. */
interface OldStep {
    action: string;
    place?: number | null;
    travel?: string | null;
    value?: number | null;
    parts?: number[] | null;
    code?: string | null;
    wish?: string | null;
    document?: unknown;
}

/** The same step in its present shape: what waits on a device outlasts a new version. */
export function inPresentShape(step: OldStep | Step): Step {
    const { action, place, value, parts, wish, ...rest } = step as OldStep;
    const told: Record<string, unknown> = { ...rest, action };
    const give = (name: string, figure: unknown) => {
        if (figure != null) told[name] = figure;
    };
    give('index', place);
    if (action === 'swap' || action === 'camera') give('part', parts?.[0]);
    else give('parts', parts);
    give(action === 'move' ? 'to' : action === 'mend' ? 'choice' : 'value', value);
    give('reading', wish);
    return Object.fromEntries(Object.entries(told).filter(([, figure]) => figure !== null)) as unknown as Step;
}
