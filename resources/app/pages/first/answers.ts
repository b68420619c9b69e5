import type { Schema } from '../../api/client';

export type Answers = Schema['AnswerFirst'];
export type Body = Answers['body'];
export type LensKind = NonNullable<Answers['lens']>;
export type Between = 'tubes' | 'bellows' | 'helicoid' | 'turned' | 'closeUps' | 'otherMm';

export const bodies: readonly Body[] = ['mirrorless-36', 'mirrorless-23', 'mirrorless-17', 'mirror-36', 'mirror-23', 'built-in'];
export const lensKinds: readonly LensKind[] = ['usual', 'wide', 'long', 'macro', 'zoom', 'enlarging'];
export const betweens: readonly Between[] = ['tubes', 'bellows', 'helicoid', 'turned', 'closeUps', 'otherMm'];

/** Whatever the address may hold of the answers. */
export const names = [
    ...([
        'body',
        'sensorMm',
        'registerMm',
        'lens',
        'mount',
        'focalMm',
        'longestMm',
        'widest',
        'closestMm',
        'from',
        'greatest',
        'rimMm',
    ] as const),
    ...(['tubes', 'tube', 'bellows', 'helicoid', 'turned', 'closeUps', 'closeUp', 'otherMm'] as const),
] as const;
export type Name = (typeof names)[number];

const most = 6;

/** Only the answers of an address, in one order: so that one question has one key. */
export function asked(params: URLSearchParams): URLSearchParams {
    const only = new URLSearchParams();
    for (const name of names) {
        const value = params.get(name);
        if (value !== null && value !== '') only.set(name, value);
    }
    return only;
}

/** Numbers of an address that are parted by commas; what is none is left out. */
export function numbersIn(text: string | null): number[] {
    return (text ?? '')
        .split(',')
        .filter((each) => each !== '')
        .map(Number)
        .filter(Number.isFinite);
}

/** The list with one number changed, added at its end, or taken out; null = it is empty. */
export function withNumber(list: readonly number[], at: number, value: number | null): string | null {
    const changed = [...list];
    if (value === null) changed.splice(at, 1);
    else changed[Math.min(at, list.length)] = value;
    return changed.length === 0 ? null : changed.slice(0, most).join(',');
}

/** How many blanks stand for a list: one more than there are numbers, as long as there is room. */
export function blanksFor(list: readonly number[]): number {
    return Math.min(most, list.length + 1);
}

/** What stands in the address when a thing between is chosen; null = it waits for its figures. */
export const begins: Readonly<Record<Between, string | null>> = {
    tubes: null,
    bellows: '35,135',
    helicoid: '12,17',
    turned: '1',
    closeUps: null,
    otherMm: '50',
};
