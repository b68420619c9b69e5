interface Mark {
    text: string;
}

/** A face of ten pixels is six wide; and between two numbers as much is left as tells them apart. */
const perLetter = 6.2;
const apart = 5;

/**
 * Which of a scale's numbers are written: the ends first, then every number that has room between those that are written already.
 *
 * @param shares where each mark stands, 0 to 1
 * @param width of the scale, px
 */
export function written(marks: readonly Mark[], shares: readonly number[], width: number): ReadonlySet<number> {
    const named = marks.flatMap((mark, at) => (mark.text === '' ? [] : [at]));
    const kept: number[] = [];
    const left = (at: number) => (shares[at] ?? 0) * width - ((marks[at]?.text.length ?? 0) * perLetter) / 2;
    const right = (at: number) => (shares[at] ?? 0) * width + ((marks[at]?.text.length ?? 0) * perLetter) / 2;
    const first = named[0];
    const last = named.at(-1);
    for (const at of [first, last, ...named]) {
        if (at === undefined || kept.includes(at)) continue;
        if (kept.every((other) => right(at) + apart <= left(other) || left(at) - apart >= right(other))) kept.push(at);
    }
    return new Set(kept);
}
