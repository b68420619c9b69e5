/** The cells of a pasted table, row by row; null = it is no table, but a word for one blank. */
export function pastedRows(text: string): string[][] | null {
    const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
    if (lines.length < 2 && !text.includes('\t')) return null;
    // A spreadsheet parts cells by tabs; what was written by hand, by semicolons or by spaces.
    const between = text.includes('\t') ? '\t' : text.includes(';') ? ';' : /\s+/;
    return lines
        .map((line) =>
            line
                .trim()
                .split(between)
                .map((cell) => cell.trim()),
        )
        .filter((cells) => cells.some((cell) => /\d/.test(cell)));
}

/** A table laid over rows of blanks from one blank on; rows that aren't there yet are made. */
export function laidOver<Name extends string, Row extends Record<Name, string>>(
    rows: readonly Row[],
    names: readonly Name[],
    at: { row: number; name: Name },
    cells: readonly (readonly string[])[],
    blank: Row,
): Row[] {
    const first = names.indexOf(at.name);
    const laid = [...rows];
    cells.forEach((line, down) => {
        const filled: Row = { ...(laid[at.row + down] ?? blank) };
        line.forEach((cell, across) => {
            const name = names[first + across];
            if (name !== undefined) Object.assign(filled, { [name]: cell });
        });
        laid[at.row + down] = filled;
    });
    return laid;
}
