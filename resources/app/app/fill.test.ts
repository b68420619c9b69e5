import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

vi.stubGlobal('document', { cookie: '' });
vi.stubGlobal('location', new URL('http://127.0.0.1/bench/17'));
const NodeRequest = globalThis.Request;
vi.stubGlobal(
    'Request',
    class extends NodeRequest {
        constructor(to: string | URL | Request, how?: RequestInit) {
            super(typeof to === 'string' ? new URL(to, 'http://127.0.0.1') : to, how);
        }
    },
);
const { fill } = await import('./fill');
const { keys } = await import('../api/queries');

const json = (body: unknown) => new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } });

describe('what was asked before the script was here', () => {
    beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout'] }));
    afterEach(() => vi.useRealTimers());

    test('is there before anything is drawn: who is here, and the rig on the bench', async () => {
        vi.stubGlobal(
            'early',
            new Map([
                ['/api/me', Promise.resolve(json({ id: 3, name: 'Ada' }))],
                ['/api/rigs/17', Promise.resolve(json({ id: 17, revision: 4 }))],
            ]),
        );
        const queries = new QueryClient();
        await fill(queries, '/bench/17');
        expect(queries.getQueryData(keys.me)).toEqual({ id: 3, name: 'Ada' });
        expect(queries.getQueryData(keys.rig(17))).toEqual({ id: 17, revision: 4 });
    });

    test('keeps nobody waiting for long, and comes as it comes', async () => {
        let answer: (response: Response) => void = () => undefined;
        vi.stubGlobal(
            'early',
            new Map([
                ['/api/me', Promise.resolve(json({ id: 3 }))],
                ['/api/rigs/17', new Promise<Response>((resolve) => (answer = resolve))],
            ]),
        );
        const queries = new QueryClient();
        let filled = false;
        const filling = fill(queries, '/bench/17').then(() => (filled = true));
        await vi.advanceTimersByTimeAsync(399);
        expect(filled).toBe(false);
        await vi.advanceTimersByTimeAsync(1);
        await filling;
        expect(queries.getQueryData(keys.rig(17))).toBeUndefined();
        answer(json({ id: 17 }));
        await vi.waitFor(() => expect(queries.getQueryData(keys.rig(17))).toEqual({ id: 17 }));
    });

    test('is nothing for a stranger', async () => {
        vi.stubGlobal('early', undefined);
        const queries = new QueryClient();
        await fill(queries, '/bench/17');
        expect(queries.getQueryCache().getAll()).toEqual([]);
    });
});
