import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { answerTo, askEarly, firstQuestions } from './early';

describe('what a place asks first is under way before its script is', () => {
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

    test('the bench asks for its rig and the rigs, other places who is here', () => {
        expect(firstQuestions('/bench/17')).toEqual(['/api/me', '/api/rigs/17', '/api/rigs']);
        expect(firstQuestions('/bench')).toEqual(['/api/me', '/api/rigs']);
        expect(firstQuestions('/kit')).toEqual(['/api/me']);
        expect(firstQuestions('/bench/17/x')).not.toContain('/api/rigs/17');
    });

    test('each early answer is taken once, and what wasn’t asked is asked for', async () => {
        askEarly('/bench/17', 'a=b; XSRF-TOKEN=x');
        expect(asked).toEqual(['early /api/me', 'early /api/rigs/17', 'early /api/rigs']);
        expect(await get('/api/rigs/17')).toBe('early /api/rigs/17');
        expect(await get('/api/rigs/17')).toBe('GET /api/rigs/17');
        expect(await get('/api/rigs?page=1')).toBe('GET /api/rigs');
        expect(await get('/api/rigs')).toBe('early /api/rigs');
    });

    test('a stranger asks nothing', async () => {
        askEarly('/bench/17', 'a=b');
        expect(asked).toEqual([]);
        expect(await get('/api/me')).toBe('GET /api/me');
    });

    test('what changes something, and time, make old what was asked before', async () => {
        askEarly('/bench', 'XSRF-TOKEN=x');
        await answerTo(new Request('http://127.0.0.1/api/guest', { method: 'POST' }));
        expect(await get('/api/me')).toBe('GET /api/me');
        askEarly('/bench', 'XSRF-TOKEN=x');
        vi.advanceTimersByTime(9_999);
        expect(await get('/api/rigs')).toBe('early /api/rigs');
        vi.advanceTimersByTime(1);
        expect(await get('/api/me')).toBe('GET /api/me');
    });

    test('one that was cut off is asked for again', async () => {
        refused = true;
        askEarly('/kit', 'XSRF-TOKEN=x');
        expect(await get('/api/me')).toBe('GET /api/me');
    });
});
