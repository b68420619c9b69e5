import type { QueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { isEarly, rigOf } from '../api/early';
import { keys } from '../api/queries';

/** The page isn't kept waiting longer than this, ms. */
const longest = 400;

/**
 * Who is here, and on the bench its rig, asked before the script was here: taken in before anything is drawn, so that a place is drawn once and
 * not anew with every answer. What takes longer comes as it comes.
 */
export async function fill(queries: QueryClient, path: string): Promise<void> {
    if (!isEarly()) return;
    const rig = rigOf(path);
    const noop = () => undefined;
    await Promise.race([
        Promise.all([
            queries.query({ queryKey: keys.me, queryFn: api.me, retry: false }).catch(noop),
            rig === null ? undefined : queries.query({ queryKey: keys.rig(rig), queryFn: () => api.rig(rig) }).catch(noop),
        ]),
        new Promise((resolve) => setTimeout(resolve, longest)),
    ]);
}
