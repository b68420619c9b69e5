import type { components } from './generated/schema';

type Packed = components['schemas']['SweepColumn'];
type Places = components['schemas']['SweepPlaces'];

/** What is made of an answer whose columns travel as steps. */
export type Unpacked<T> = T extends Packed
    ? (number | null)[]
    : T extends Places
      ? number[]
      : T extends readonly (infer Each)[]
        ? Unpacked<Each>[]
        : T extends object
          ? { [Name in keyof T]: Unpacked<T[Name]> }
          : T;

/** Figures one after the other again. Whole numbers are added up, so none differs from the one that was sent. */
function figures({ decimals, order, steps }: Places): number[] {
    const wholes = steps.slice();
    for (let sums = 0; sums < order; sums++) {
        let sum = 0;
        for (let row = 0; row < wholes.length; row++) wholes[row] = sum += wholes[row] ?? 0;
    }
    const scale = 10 ** Math.abs(decimals);
    return wholes.map(decimals < 0 ? (whole) => whole * scale : (whole) => whole / scale);
}

/** The same with what has no figure where it stood. */
function column(packed: Packed): (number | null)[] {
    const rows: (number | null)[] = figures(packed);
    // From the first on: what stands behind moves to where it belongs.
    for (const [from = 0, to = -1] of packed.none) rows.splice(from, 0, ...Array.from({ length: to - from + 1 }, () => null));
    return rows;
}

const isPlaces = (sent: object): sent is Places => 'steps' in sent && 'decimals' in sent;

/** An answer with every column in it by row. */
export function unpacked<T>(sent: T): Unpacked<T>;
export function unpacked(sent: unknown): unknown {
    if (Array.isArray(sent)) return sent.map((each: unknown): unknown => unpacked(each));
    if (typeof sent !== 'object' || sent === null) return sent;
    if (isPlaces(sent)) return 'none' in sent ? column(sent as Packed) : figures(sent);
    return Object.fromEntries(Object.entries(sent).map(([name, each]) => [name, unpacked(each)]));
}
