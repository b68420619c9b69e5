export const width = 372;
/** Room before the first and after the last value. */
const edge = 6;
const decades = 3;
/** A factor of two is as wide on every strip. */
const perDecade = (width - 2 * edge) / decades;

/** The values between which a strip runs: three decades, wherever they begin. */
export type Window = readonly [number, number];

/** One rig's value on a scale. */
export interface Mark {
    value: number | null;
    halfWidth?: number | null;
    /** A letter over it, where several stand on one scale. */
    letter?: string;
}

/** What one rig reaches; null = without end on that side. */
export interface Reach {
    least: number | null;
    greatest: number | null;
}

/** A window that holds all of these, beginning at a third of a decade so that it seldom moves. Its upper end is held where they are too far apart. */
export function windowOf(values: readonly number[]): Window {
    const logs = values.map(Math.log10);
    const low = Math.min(...logs);
    const high = Math.max(...logs);
    const middle = high - low > decades - 0.2 ? high - (decades - 0.1) / 2 : (low + high) / 2;
    let start = Math.round((middle - decades / 2) * 3) / 3;
    // Rounding may have pushed an end out.
    if (start > low && high - low <= decades - 1 / 3) start = Math.floor(low * 3) / 3;
    if (start + decades < high) start = Math.ceil((high - decades) * 3 - 1e-9) / 3;
    return [10 ** start, 10 ** (start + decades)];
}

/** What can stand on a logarithmic scale at all. */
export function standing(marks: readonly Mark[], reaches: readonly Reach[]): number[] {
    return [...marks.map(({ value }) => value), ...reaches.flatMap(({ least, greatest }) => [least, greatest])].filter(
        (value): value is number => value !== null && value > 0 && Number.isFinite(value),
    );
}

/** Where a value stands on a scale, kept within its ends. */
export function placeOn([from, to]: Window): (value: number) => number {
    const whole = Math.log(to / from);
    return (value) =>
        Math.max(edge, Math.min(width - edge, edge + decades * perDecade * (Math.log(Math.max(value, 1e-12) / from) / whole)));
}

/** Ends of a reach on a scale; null where it is no reach but one value. */
export function reachOn(window: Window, { least, greatest }: Reach): { low: number; high: number } | null {
    if (least === null && greatest === null) return null;
    if (least !== null && greatest !== null && greatest < least * 1.0005) return null;
    const place = placeOn(window);
    return { low: least !== null && least > 0 ? place(least) : edge, high: greatest === null ? width - edge : place(greatest) };
}

/** Ends of what a value may be by its half-width; null where that is too narrow to be seen, or as wide as the value. */
export function spreadOn(window: Window, { value, halfWidth }: Mark): { low: number; high: number } | null {
    if (value === null || halfWidth == null || halfWidth <= 0 || value <= halfWidth) return null;
    const place = placeOn(window);
    const low = place(value - halfWidth);
    const high = place(value + halfWidth);
    return high - low > 4 ? { low, high } : null;
}

/**
 * Graduations: every digit of every decade, 1, 2 and 5 with their figure where there is room for one.
 *
 * @param per how much one of the units is that the figures are told in: 25.4 where mm are told in inches
 */
export function ticksOn([from, to]: Window, per = 1): { at: number; x: number; long: boolean; told: boolean }[] {
    const place = placeOn([from, to]);
    const ticks = [];
    for (let decade = Math.floor(Math.log10(from / per)); decade <= Math.ceil(Math.log10(to / per)); decade++) {
        for (let digit = 1; digit < 10; digit++) {
            const at = digit * 10 ** decade * per;
            if (at < from * 0.999 || at > to * 1.001) continue;
            const x = place(at);
            const long = digit === 1 || digit === 2 || digit === 5;
            ticks.push({ at, x, long, told: long && x > 10 && x < width - 12 });
        }
    }
    return ticks;
}
