/** Strokes of one length as one path: a scale has thirty graduations, and an element for each of them costs. */
export const strokes = (xs: readonly number[], from: number, length: number): string => xs.map((x) => `M${x} ${from}v${length}`).join('');
