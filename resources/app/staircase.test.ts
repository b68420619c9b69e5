import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, test } from 'vitest';

/** Each folder leans only on those above it in this list; a page on no other page. */
const staircase = [
    'strings',
    'api',
    'ui',
    'offline',
    'shell',
    'drawing',
    'strip',
    'rig',
    'kit',
    'picture',
    'measure',
    'paper',
    'pages',
    'app',
];

const root = dirname(new URL(import.meta.url).pathname);

const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => /(?<!\.test)\.tsx?$/.test(file));

function imports(file: string): string[] {
    const text = readFileSync(join(root, file), 'utf8');
    return [...text.matchAll(/(?:from\s+|import\s+|import\()'(\.[^']*)'/g)].map((found) =>
        relative(root, resolve(root, dirname(file), found[1] ?? '')),
    );
}

/** Why one file may not import another; null = it may. */
export function objection(from: string, to: string): string | null {
    const [here, page] = from.split('/');
    const [there, other] = to.split('/');
    const step = staircase.indexOf(here ?? '');
    const leansOn = staircase.indexOf(there ?? '');
    if (step < 0 || leansOn < 0) return `${step < 0 ? from : to} stands on no step`;
    if (here === 'pages' && there === 'pages' && page !== other) return `${from} leans on another page: ${to}`;
    return leansOn > step ? `${from} leans on ${to}, which stands further down` : null;
}

describe('the staircase of the screens', () => {
    test('no file leans on a folder further down, and no page on another', () => {
        expect(files.length).toBeGreaterThan(60);
        expect(files.flatMap((file) => imports(file).map((to) => objection(file, to))).filter((found) => found !== null)).toEqual([]);
    });

    test('it sees what goes the wrong way', () => {
        expect(objection('ui/Button.tsx', 'rig/Readings')).toMatch('further down');
        expect(objection('pages/find/FindPage.tsx', 'pages/kit/KitPage')).toMatch('another page');
        expect(objection('pages/find/FindPage.tsx', 'pages/find/wish')).toBeNull();
        expect(objection('common/things.ts', 'ui/Button')).toMatch('no step');
        expect(imports('app/main.tsx')).toContain('app/Application');
    });
});
