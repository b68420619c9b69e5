import { beforeEach, describe, expect, test, vi } from 'vitest';

const answer = vi.fn<() => Promise<Response>>();
vi.stubGlobal('fetch', answer);
vi.stubGlobal('document', { cookie: '' });
vi.stubGlobal(
    'Request',
    class extends Request {
        constructor(at: string, init?: RequestInit) {
            super(new URL(at, 'http://localhost'), init);
        }
    },
);
const { api, Away, Refused } = await import('./client');

const json = (body: string, status = 200) =>
    Promise.resolve(new Response(body, { status, headers: { 'Content-Type': 'application/json' } }));

describe('what became of a request', () => {
    beforeEach(() => void answer.mockReset());

    test('an answer is taken as it is', async () => {
        answer.mockReturnValue(json('{"id": 7}'));
        await expect(api.me()).resolves.toEqual({ id: 7 });
    });

    test.each([
        ['no answer', () => Promise.reject(new TypeError('Failed to fetch'))],
        ['one that was cut off', () => json('{"revision": 1')],
        ['one of a web server whose application is away', () => json('{"message": "Bad Gateway"}', 502)],
    ])('%s: nothing is known of it', async (_, what) => {
        answer.mockImplementation(what);
        await expect(api.me()).rejects.toBeInstanceOf(Away);
    });

    test('busy is an answer, and so is a fault, in the words of the server and by field', async () => {
        answer.mockReturnValue(json('{"message": "Many search just now.", "busy": true}', 503));
        await expect(api.me()).rejects.not.toBeInstanceOf(Away);
        answer.mockReturnValue(json('{"message": "No.", "errors": {"name": ["Too long.", "Too odd."]}}', 422));
        const refused: unknown = await api.me().catch((error: unknown) => error);
        expect(refused).toBeInstanceOf(Refused);
        expect(refused).toMatchObject({ status: 422, message: 'No.', fields: { name: 'Too long.' } });
        answer.mockReturnValue(json('{"message": "No.", "errors": [{"pointer": "/chain/1", "message": "Unknown kind."}]}', 422));
        await expect(api.me()).rejects.toMatchObject({ fields: { '/chain/1': 'Unknown kind.' } });
    });
});
