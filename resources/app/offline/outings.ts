import type { DBSchema } from 'idb';
import type { Schema } from '../api/client';
import { opened } from './opened';

/** Everything of an outing that is needed outside, as it was when it was last looked at with a network. */
export interface Pack {
    outing: Schema['OutingView'];
    plan: Schema['OutingPlanView'];
    person: number;
    /** When it was taken along. */
    at: string;
}

/** An entry that was written down on this device. Nothing in it is ever changed; what becomes of it on its way home is beside it. */
export interface Written {
    id: string;
    outing: number;
    person: number;
    /** What is written first is sent first. */
    order: number;
    entry: Entry;
    sent: boolean;
    /** Why the server won’t have it. */
    refused: string | null;
}

/** An entry as its file has it. */
export interface Entry {
    id: string;
    at: string;
    subject: string;
    replaces?: string[];
    /** Taken back: it stands for nothing, and neither does what it replaces. */
    withdrawn?: boolean;
    rig: Record<string, unknown>;
    scales: { part: string; reads: string; unit?: string }[];
    predicted?: Figures;
    measured?: Figures;
    aperture?: number;
    exposureS?: number;
    iso?: number;
    frames?: number;
    light?: EntryLight;
    trial?: TrialStop[];
    pictures?: Picture[];
    result?: number;
    note?: string;
}

export interface EntryLight {
    source?: string;
    name?: string;
    power?: number;
    distanceMm?: number;
    angleDeg?: number;
    ev?: number;
    note?: string;
}

export interface TrialStop {
    aperture: number;
    mtf50: number;
    halfWidth?: number;
}

/** A picture that an entry names: the original stays where it is, a small one is kept. */
export interface Picture {
    name: string;
    exif?: Exif;
    small?: string;
}

export interface Exif {
    takenAt?: string;
    aperture?: number;
    exposureS?: number;
    iso?: number;
    focalLengthMm?: number;
    camera?: string;
}

export interface Figures {
    magnification?: number;
    magnificationHalfWidth?: number;
    workingDistanceMm?: number;
    workingDistanceMmHalfWidth?: number;
    sliceMm?: number;
    sliceMmHalfWidth?: number;
    /** So many mm of a ruler reach across the frame. */
    fieldWidthMm?: number;
    fieldWidthMmHalfWidth?: number;
}

interface Store extends DBSchema {
    packs: { key: number; value: Pack };
    entries: { key: string; value: Written; indexes: { outing: number } };
}

const database = opened<Store>('zinc-thimble-outings', 1, (db) => {
    db.createObjectStore('packs');
    db.createObjectStore('entries', { keyPath: 'id' }).createIndex('outing', 'outing');
});

export async function keepPack(pack: Pack): Promise<void> {
    await (await database()).put('packs', pack, pack.outing.id);
}

export const packOf = async (outing: number): Promise<Pack | undefined> => (await database()).get('packs', outing);

export async function keepEntry(written: Written): Promise<void> {
    await (await database()).put('entries', written);
}

/** Whoever leaves takes their outings off this device; what isn’t home yet stays until it is. */
export async function forgetOutings(): Promise<void> {
    const transaction = (await database()).transaction(['packs', 'entries'], 'readwrite');
    await transaction.objectStore('packs').clear();
    for (const each of await transaction.objectStore('entries').getAll()) {
        if (each.sent) await transaction.objectStore('entries').delete(each.id);
    }
    await transaction.done;
}

/** What was written down for an outing, in the order in which it was. */
export async function entriesOf(outing: number): Promise<Written[]> {
    return (await (await database()).getAllFromIndex('entries', 'outing', outing)).sort((one, other) => one.order - other.order);
}

/** What is on the server comes to this device too: what another device wrote stands beside what was written here. */
export async function takeHome(outing: number, person: number, entries: readonly Entry[]): Promise<void> {
    const transaction = (await database()).transaction('entries', 'readwrite');
    for (const entry of entries) {
        const here = await transaction.store.get(entry.id);
        if (here === undefined || !here.sent) {
            await transaction.store.put({ id: entry.id, outing, person, order: Date.parse(entry.at), entry, sent: true, refused: null });
        }
    }
    await transaction.done;
}

/** Entries as they stand: those that none replaces and that weren’t taken back. Where two replace the same, both stand. */
export function standing<T extends { entry: Pick<Entry, 'id' | 'replaces' | 'withdrawn'> }>(all: readonly T[]): T[] {
    const replaced = new Set(all.flatMap(({ entry }) => entry.replaces ?? []));
    return all.filter(({ entry }) => !replaced.has(entry.id) && entry.withdrawn !== true);
}

/** Standing entries that take the place of the same one: somebody has to say which it is. */
export function conflicts<T extends { entry: Pick<Entry, 'id' | 'replaces' | 'withdrawn'> }>(all: readonly T[]): T[][] {
    const groups = new Map<string, T[]>();
    for (const each of standing(all)) {
        for (const replaced of each.entry.replaces ?? []) groups.set(replaced, [...(groups.get(replaced) ?? []), each]);
    }
    return [...groups.values()].filter((group, n, every) => group.length > 1 && every.findIndex((one) => one[0] === group[0]) === n);
}

/** What an entry says, without some of it. */
export function saidWithout<T extends object, K extends keyof T & string>(entry: T, ...names: readonly K[]): Omit<T, K> {
    const dropped: ReadonlySet<string> = new Set(names);
    return Object.fromEntries(Object.entries(entry).filter(([name]) => !dropped.has(name))) as Omit<T, K>;
}

/** A UUID, also where the page isn’t in a context that the browser takes for safe. */
export function newId(): string {
    const bytes = crypto.getRandomValues(new Uint8Array(16));
    bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
    bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
    const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
    return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

/** Now, by the clock of this place. */
export function nowHere(now = new Date()): string {
    const minutes = -now.getTimezoneOffset();
    const two = (n: number) => String(n).padStart(2, '0');
    const here = new Date(now.getTime() + minutes * 60_000).toISOString().slice(0, 19);
    return `${here}${minutes < 0 ? '-' : '+'}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`;
}
