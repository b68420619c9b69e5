import type { Schema } from '../../api/client';
import { digits, fNumber, length, magnification, stops, type Units } from '../../ui/figures';

const thin = '\u2009';

export type Asked = Schema['AskedView'];

/** What somebody answers: a figure, with a width that they would bet on. */
export interface Guess {
    value: number;
    /** Which of the widths. */
    width: number;
}

/** Stops are counted, everything else is so many times as much. */
export const isEven = (asked: Pick<Asked, 'unit'>) => asked.unit === 'stops';

/** How much more or less it may be: shares, and stops. */
const shares = [0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.5, 0.75, 1, 2, 4] as const;
const byStops = [1 / 6, 1 / 3, 1 / 2, 2 / 3, 1, 1.5, 2, 3] as const;

const widthsOf = (asked: Pick<Asked, 'unit'>): readonly number[] => (isEven(asked) ? byStops : shares);

/** The width at which an answer begins: a fifth, or half a stop. */
export const firstWidth = (asked: Pick<Asked, 'unit'>) => (isEven(asked) ? 2 : 4);

export const wider = (asked: Pick<Asked, 'unit'>, width: number, by: number) =>
    Math.max(0, Math.min(widthsOf(asked).length - 1, width + by));

const widthAt = (asked: Pick<Asked, 'unit'>, width: number) => widthsOf(asked)[wider(asked, width, 0)] ?? 0;

/** The ends of a width, on the scale and no further. */
export function ends(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, { value, width }: Guess): { low: number; high: number } {
    const by = widthAt(asked, width);
    const [low, high] = isEven(asked) ? [value - by, value + by] : [value / (1 + by), value * (1 + by)];
    return { low: Math.min(value, Math.max(asked.least, low)), high: Math.max(value, Math.min(asked.greatest, high)) };
}

/** Where a value stands, 0 to 1. */
export function placeOf(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, value: number): number {
    const { least, greatest } = asked;
    const share = isEven(asked)
        ? (value - least) / (greatest - least)
        : Math.log(Math.max(value, 1e-12) / least) / Math.log(greatest / least);
    return Math.max(0, Math.min(1, share));
}

/** Three digits that count are as fine as a hand puts it. */
const rounded = (value: number) => Number(value.toPrecision(3));

/** What stands at a place. */
export function valueAt(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, place: number): number {
    const share = Math.max(0, Math.min(1, place));
    const { least, greatest } = asked;
    return kept(asked, isEven(asked) ? Math.round((least + (greatest - least) * share) * 6) / 6 : least * (greatest / least) ** share);
}

function kept(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, value: number): number {
    const whole = asked.unit === 'n' ? Math.max(1, Math.round(value)) : isEven(asked) ? value : rounded(value);
    return Math.max(asked.least, Math.min(asked.greatest, whole));
}

/** So many steps on: hundredths of the scale, sixths of a stop; frames by one where that is more. */
export function stepped(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, value: number, steps: number): number {
    if (isEven(asked)) return Math.max(asked.least, Math.min(asked.greatest, Math.round(value * 6 + steps) / 6));
    const next = kept(asked, value * (asked.greatest / asked.least) ** (steps / 200));
    return asked.unit === 'n' && next === value ? kept(asked, value + Math.sign(steps)) : next;
}

/** What is engraved: 1, 2 and 5 of each decade with their figures, of a tight one 1 alone; the rest as lines; each stop. */
export function engraved(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, isTight = false): { value: number; label: boolean }[] {
    const marks: { value: number; label: boolean }[] = [];
    if (isEven(asked)) {
        for (let stop = asked.least; stop <= asked.greatest; stop++) marks.push({ value: stop, label: true });
        return marks;
    }
    for (let power = Math.floor(Math.log10(asked.least)); power <= Math.log10(asked.greatest); power++) {
        for (let digit = 1; digit <= 9; digit++) {
            const value = Number((digit * 10 ** power).toPrecision(2));
            if (value >= asked.least * 0.9999 && value <= asked.greatest * 1.0001)
                marks.push({ value, label: digit === 1 || (!isTight && (digit === 2 || digit === 5)) });
        }
    }
    return marks;
}

/** A figure of an answer with its unit. */
export function said(unit: string, value: number, units: Units): string {
    switch (unit) {
        case 'mm':
            return length(value, units);
        case 'x':
            return magnification(value);
        case 'stops':
            return tenths(value);
        case 'f':
            return fNumber(value);
        case 'times':
            return `${digits(value)} times`;
        case 'n':
            return `${digits(Math.round(value))} ${Math.round(value) === 1 ? 'frame' : 'frames'}`;
        default:
            return digits(value);
    }
}

/** Stops as they are weighed here: thirds would hide by how much one is off. */
const tenths = (value: number) =>
    `${digits(Math.round(value * 10) / 10)} ${Math.abs(value) < 1.05 && Math.abs(value) > 0 ? 'stop' : 'stops'}`;

/** How far off, in words: stops of light, a share, or from double on a factor. */
export function offSaid(skill: string, off: number): string {
    if (skill === 'light') return tenths(off);
    if (off >= 1) return `a factor of ${digits(Number((1 + off).toPrecision(2)))}`;
    return `${off < 0.0095 ? (off * 100).toFixed(1) : Math.round(off * 100)}${thin}%`;
}

/** A width in words: give or take 20 %, up to 3 times, give or take half a stop. */
export function widthSaid(asked: Pick<Asked, 'unit'>, width: number): string {
    const by = widthAt(asked, width);
    if (isEven(asked)) return `give or take ${by < 0.3 ? '⅙ stop' : by === 0.5 ? '½ stop' : by === 1.5 ? '1½ stops' : stops(by)}`;
    return by >= 1
        ? `anything from a ${by === 1 ? 'half' : by === 2 ? 'third' : 'fifth'} to ${1 + by} times`
        : `give or take ${Math.round(by * 100)}\u2009%`;
}

/** What somebody typed, as a figure of the scale; null = none. */
export function typed(asked: Pick<Asked, 'unit' | 'least' | 'greatest'>, text: string, units: Units): number | null {
    const value = Number(
        text
            .trim()
            .replace(',', '.')
            .replace(/^f\s*\//i, '')
            .replace(/\s*(mm|in|×|x|times|stops?|frames?)$/i, ''),
    );
    if (text.trim() === '' || !Number.isFinite(value) || value < 0) return null;
    const own = asked.unit === 'mm' && units === 'in' ? value * 25.4 : value;
    return own >= asked.least && own <= asked.greatest ? (asked.unit === 'n' ? Math.round(own) : own) : null;
}
