import { inflateSync } from 'node:zlib';

/** A filled rectangle on a page of a PDF, mm, and its colour as it is written. */
export interface Filled {
    page: number;
    colour: string;
    width: number;
    height: number;
}

const pointMm = 25.4 / 72;

/** How many pages a PDF has, how large they are, mm, and which rectangles are filled on them: enough of a reader to lay a ruler on what a browser prints. */
export function readPdf(bytes: Buffer): { pages: { width: number; height: number }[]; filled: Filled[] } {
    const text = bytes.toString('latin1');
    const objects = new Map<number, string>();
    for (const found of text.matchAll(/(\d+) 0 obj\s([\s\S]*?)endobj/g)) objects.set(Number(found[1]), found[2] ?? '');
    const pages = [...objects.values()].filter((body) => /\/Type\s*\/Page\b/.test(body));
    const filled: Filled[] = [];
    const sizes = pages.map((body, page) => {
        const contents = /\/Contents\s+(\d+) 0 R/.exec(body)?.[1];
        if (contents) filled.push(...rectangles(streamOf(objects.get(Number(contents)) ?? ''), page));
        const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = (/\/MediaBox\s*\[([^\]]*)\]/.exec(body)?.[1] ?? '').trim().split(/\s+/).map(Number);
        return { width: (x1 - x0) * pointMm, height: (y1 - y0) * pointMm };
    });
    return { pages: sizes, filled };
}

function streamOf(body: string): string {
    const start = /stream\r?\n/.exec(body);
    if (!start) return '';
    const raw = Buffer.from(body.slice(start.index + start[0].length, body.lastIndexOf('endstream')), 'latin1');
    return body.includes('/FlateDecode') ? inflateSync(raw).toString('latin1') : raw.toString('latin1');
}

type Matrix = [number, number, number, number, number, number];

function rectangles(content: string, page: number): Filled[] {
    let matrix: Matrix = [1, 0, 0, 1, 0, 0];
    let colour = '';
    const kept: { matrix: Matrix; colour: string }[] = [];
    let path: [number, number][] = [];
    const found: Filled[] = [];
    const numbers: number[] = [];
    for (const word of content.split(/\s+/)) {
        const number = Number(word);
        if (word !== '' && Number.isFinite(number)) {
            numbers.push(number);
            continue;
        }
        const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = numbers;
        switch (word) {
            case 'q':
                kept.push({ matrix, colour });
                break;
            case 'Q':
                ({ matrix, colour } = kept.pop() ?? { matrix, colour });
                break;
            case 'cm': {
                const [p, q, r, s, t, u] = matrix;
                matrix = [a * p + b * r, a * q + b * s, c * p + d * r, c * q + d * s, e * p + f * r + t, e * q + f * s + u];
                break;
            }
            case 'rg':
                colour = numbers.map((each) => Math.round(each * 255)).join(' ');
                break;
            case 're':
                path = [
                    [a, b],
                    [a + c, b + d],
                ];
                break;
            case 'm':
                path = [[a, b]];
                break;
            case 'l':
                path.push([a, b]);
                break;
            case 'f':
            case 'f*': {
                const at = path.map(([x, y]) => [x * matrix[0] + y * matrix[2], x * matrix[1] + y * matrix[3]] as const);
                const [xs, ys] = [at.map(([x]) => x), at.map(([, y]) => y)];
                if (at.length > 1)
                    found.push({
                        page,
                        colour,
                        width: (Math.max(...xs) - Math.min(...xs)) * pointMm,
                        height: (Math.max(...ys) - Math.min(...ys)) * pointMm,
                    });
                path = [];
                break;
            }
        }
        numbers.length = 0;
    }
    return found;
}
