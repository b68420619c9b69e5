import { digits } from '../../../ui/figures';

/** Places on the strip of magnifications: a factor of two has the same height everywhere, a day the same width. */
export interface Strip {
    /** Magnifications that are engraved, the least first. */
    ticks: readonly number[];
    /** Share of the height, from below. */
    up: (magnification: number) => number;
    /** Share of the width. */
    along: (day: string) => number;
    first: string;
    last: string;
}

/** Factors of two that the strip shows at least. */
const least = 2;

export function stripOf(marks: readonly { day: string; magnification: number }[]): Strip | null {
    if (marks.length === 0) return null;
    const logs = marks.map(({ magnification }) => Math.log2(magnification));
    const low = Math.floor(Math.min(...logs));
    const high = Math.max(low + least, Math.ceil(Math.max(...logs)));
    const days = marks.map(({ day }) => day).sort();
    const [first = '', last = ''] = [days[0], days.at(-1)];
    const [from, to] = [Date.parse(first), Date.parse(last)];
    return {
        ticks: Array.from({ length: high - low + 1 }, (_, n) => 2 ** (low + n)),
        up: (magnification) => (Math.log2(magnification) - low) / (high - low),
        // All of one day stand in the middle.
        along: (day) => (to > from ? (Date.parse(day) - from) / (to - from) : 0.5),
        first,
        last,
    };
}

/** 1/8×, ½×, 1×, 4×: an engraved magnification. */
export function tickWords(magnification: number): string {
    const part = 1 / magnification;
    if (magnification >= 1 || !Number.isInteger(part)) return `${digits(magnification)}×`;
    return { 2: '½×', 4: '¼×', 8: '⅛×' }[part] ?? `1/${part}×`;
}
