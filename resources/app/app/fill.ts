import type { QueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { isEarly } from '../api/early';
import { keys } from '../api/queries';

/** The page isn't kept waiting longer than this, ms. */
const longest = 400;

/**
 * What came in the page, and who is here where that was asked before the script was: taken in before anything is drawn, so that a place is drawn once
 * and not anew with every answer. What takes longer comes as it comes.
 */
export async function fill(queries: QueryClient, answers: string | null): Promise<void> {
    for (const [asked, answer] of Object.entries(answers === null ? {} : (JSON.parse(answers) as Record<string, unknown>)))
        queries.setQueryData(keyOf(asked), answer);
    if (!isEarly()) return;
    await Promise.race([
        queries.query({ queryKey: keys.me, queryFn: api.me, retry: false }).catch(() => undefined),
        new Promise((resolve) => setTimeout(resolve, longest)),
    ]);
}

/** Under which key the answer from an address of the API is kept. */
function keyOf(asked: string): readonly unknown[] {
    const rig = Number(/^\/api\/rigs\/(\d+)$/.exec(asked)?.[1]);
    if (Number.isInteger(rig)) return keys.rig(rig);
    if (asked === '/api/rigs') return keys.rigs;
    if (asked === '/api/me') return keys.me;
    throw new Error(`No key for ${asked}`);
}
