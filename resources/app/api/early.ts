/** Answers that are under way, by what was asked: the two scripts share nothing but the page. */
const page: typeof globalThis & { early?: Map<string, Promise<Response>> | undefined } = globalThis;

/** An answer of before is none: what nobody has taken by then is let go, ms. */
const keptFor = 10_000;

/** What a place asks first: who is here; on the bench its rig, and the rigs there are. */
export function firstQuestions(path: string): string[] {
    const rig = /^\/bench\/(\d{1,18})$/.exec(path)?.[1];
    return ['/api/me', ...(rig === undefined ? [] : [`/api/rigs/${rig}`]), ...(path.startsWith('/bench') ? ['/api/rigs'] : [])];
}

/** Asks what the place will ask, while the rest of the script is still on its way. A stranger, who has no session yet, asks nothing. */
export function askEarly(path: string, cookies: string): void {
    if (!cookies.includes('XSRF-TOKEN=')) return;
    const early = new Map(firstQuestions(path).map((each) => [each, fetch(each, { headers: { Accept: 'application/json' } })]));
    // Nobody may be listening yet when one is refused.
    for (const answer of early.values()) answer.catch(() => undefined);
    page.early = early;
    setTimeout(() => (page.early = undefined), keptFor);
}

/** The answer that is under way already, once; else it is asked for now. Whatever changes something makes old what was asked before it. */
export function answerTo(request: Request): Promise<Response> {
    if (request.method !== 'GET') page.early = undefined;
    const { pathname, search } = new URL(request.url);
    const early = page.early?.get(pathname + search);
    if (!early) return fetch(request);
    page.early?.delete(pathname + search);
    return early.catch(() => fetch(request));
}
