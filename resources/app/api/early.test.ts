import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { answerTo, askEarly } from './early';

describe('who is here is asked before the script is here', () => {
    const asked: string[] = [];
    let refused = false;
    beforeEach(() => {
        asked.length = 0;
        refused = false;
        vi.useFakeTimers({ toFake: ['setTimeout'] });
        vi.stubGlobal('early', undefined);
        vi.stubGlobal('fetch', (what: string | Request) => {
            const name = typeof what === 'string' ? `early ${what}` : `${what.method} ${new URL(what.url).pathname}`;
            asked.push(name);
            return refused && name.startsWith('early') ? Promise.reject(new TypeError('away')) : Promise.resolve(new Response(name));
        });
    });
    afterEach(() => {
        vi.useRealTimers();
        vi.unstubAllGlobals();
    });
    const get = async (path: string) => (await answerTo(new Request(`http://127.0.0.1${path}`))).text();

    test('the answer is taken once, and what wasn’t asked is asked for', async () => {
        askEarly('a=b; XSRF-TOKEN=x');
        expect(asked).toEqual(['early /api/me']);
        expect(await get('/api/me?x=1')).toBe('GET /api/me');
        expect(await get('/api/rigs')).toBe('GET /api/rigs');
        expect(await get('/api/me')).toBe('early /api/me');
        expect(await get('/api/me')).toBe('GET /api/me');
    });

    test('a stranger asks nothing', async () => {
        askEarly('a=b');
        expect(asked).toEqual([]);
        expect(await get('/api/me')).toBe('GET /api/me');
    });

    test('what changes something, and time, make old what was asked before', async () => {
        askEarly('XSRF-TOKEN=x');
        await answerTo(new Request('http://127.0.0.1/api/guest', { method: 'POST' }));
        expect(await get('/api/me')).toBe('GET /api/me');
        askEarly('XSRF-TOKEN=x');
        vi.advanceTimersByTime(9_999);
        expect(await get('/api/me')).toBe('early /api/me');
        askEarly('XSRF-TOKEN=x');
        vi.advanceTimersByTime(10_000);
        expect(await get('/api/me')).toBe('GET /api/me');
    });

    test('one that was cut off is asked for again', async () => {
        refused = true;
        askEarly('XSRF-TOKEN=x');
        expect(await get('/api/me')).toBe('GET /api/me');
    });
});
