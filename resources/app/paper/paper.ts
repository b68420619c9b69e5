/** Sheets of paper, mm. */
export const papers = {
    A6: [105, 148],
    A5: [148, 210],
    A4: [210, 297],
    letter: [215.9, 279.4],
} as const;

export type Paper = keyof typeof papers;

/** Left white at every edge, mm: what most printers need. */
export const margin = 8;

export const paperIn = (params: URLSearchParams): Paper =>
    (Object.keys(papers) as Paper[]).find((each) => each === params.get('paper')) ?? 'A5';

/** What a browser is told of the page before it prints. */
export function pageRule(paper: Paper): string {
    const [width, height] = papers[paper];
    return `@page { size: ${width}mm ${height}mm; margin: ${margin}mm; }`;
}

/** Room before the first and after the last line of a rule, for its numbers, mm. */
const edge = 3;

export interface Piece {
    /** mm of the rule. */
    from: number;
    to: number;
}

/** A rule of exactly that length in as few pieces as fit between the margins; all but the last end at a whole centimetre, so that they are laid on end to end. */
export function piecesOf(ruleMm: number, paper: Paper): Piece[] {
    const most = Math.floor((papers[paper][0] - 2 * margin - 2 * edge) / 10) * 10;
    const pieces: Piece[] = [];
    for (let from = 0; from < ruleMm - 1e-9; from += most) pieces.push({ from, to: Math.min(ruleMm, from + most) });
    return pieces;
}

/** A longer rule than this is walked off with a tape, not cut out of paper, mm. */
export const longest = 600;
