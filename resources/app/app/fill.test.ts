import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

vi.stubGlobal('document', { cookie: '' });
vi.stubGlobal('location', new URL('http://127.0.0.1/kit'));
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

describe('what came in the page', () => {
    test('is there at once, each under its own key, and nothing is waited for', async () => {
        vi.stubGlobal('early', undefined);
        const queries = new QueryClient();
        const filled = fill(
            queries,
            JSON.stringify({
                '/api/me': { id: 3, name: 'Ada' },
                '/api/rigs': [{ id: 17 }, { id: 12 }],
                '/api/rigs/17': { id: 17, revision: 4 },
            }),
        );
        expect(queries.getQueryData(keys.me)).toEqual({ id: 3, name: 'Ada' });
        expect(queries.getQueryData(keys.rigs)).toEqual([{ id: 17 }, { id: 12 }]);
        expect(queries.getQueryData(keys.rig(17))).toEqual({ id: 17, revision: 4 });
        expect(queries.getQueryData(keys.rig(12))).toBeUndefined();
        await filled;
    });

    test('is known by what it answers, or refused', async () => {
        await expect(fill(new QueryClient(), '{"/api/kits":[]}')).rejects.toThrow('/api/kits');
    });
});

describe('what was asked before the script was here', () => {
    beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout'] }));
    afterEach(() => vi.useRealTimers());

    test('is there before anything is drawn', async () => {
        vi.stubGlobal('early', Promise.resolve(json({ id: 3, name: 'Ada' })));
        const queries = new QueryClient();
        await fill(queries, null);
        expect(queries.getQueryData(keys.me)).toEqual({ id: 3, name: 'Ada' });
    });

    test('keeps nobody waiting for long, and comes as it comes', async () => {
        let answer: (response: Response) => void = () => undefined;
        vi.stubGlobal('early', new Promise<Response>((resolve) => (answer = resolve)));
        const queries = new QueryClient();
        let filled = false;
        const filling = fill(queries, null).then(() => (filled = true));
        await vi.advanceTimersByTimeAsync(399);
        expect(filled).toBe(false);
        await vi.advanceTimersByTimeAsync(1);
        await filling;
        expect(queries.getQueryData(keys.me)).toBeUndefined();
        answer(json({ id: 3 }));
        await vi.waitFor(() => expect(queries.getQueryData(keys.me)).toEqual({ id: 3 }));
    });

    test('is nothing for a stranger', async () => {
        vi.stubGlobal('early', undefined);
        const queries = new QueryClient();
        await fill(queries, null);
        expect(queries.getQueryCache().getAll()).toEqual([]);
    });
});
