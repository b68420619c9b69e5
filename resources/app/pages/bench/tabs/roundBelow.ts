/** The largest of 1, 2 and 5 times a power of ten that is no larger. */
export function roundBelow(value: number): number {
    const power = 10 ** Math.floor(Math.log10(value) + 1e-9);
    const times = value / power;
    return power * (times >= 5 - 1e-9 ? 5 : times >= 2 - 1e-9 ? 2 : 1);
}
