/** The answer that is under way: the two scripts share nothing but the page. */
const page: typeof globalThis & { early?: Promise<Response> | undefined } = globalThis;

/** An answer of before is none: what nobody has taken by then is let go, ms. */
const keptFor = 10_000;

/** What every place asks first: who is here. */
const firstQuestion = '/api/me';

/** Asks it while the rest of the script is still on its way. A stranger, who has no session yet, asks nothing. */
export function askEarly(cookies: string): void {
    if (!cookies.includes('XSRF-TOKEN=')) return;
    const answer = fetch(firstQuestion, { headers: { Accept: 'application/json' } });
    // Nobody may be listening yet when it is refused.
    answer.catch(() => undefined);
    page.early = answer;
    setTimeout(() => (page.early = undefined), keptFor);
}

/** Whether it was asked before. */
export const isEarly = () => page.early !== undefined;

/** The answer that is under way already, once; else it is asked for now. Whatever changes something makes old what was asked before it. */
export function answerTo(request: Request): Promise<Response> {
    if (request.method !== 'GET') page.early = undefined;
    const { pathname, search } = new URL(request.url);
    const { early } = page;
    if (!early || pathname + search !== firstQuestion) return fetch(request);
    page.early = undefined;
    return early.catch(() => fetch(request));
}
