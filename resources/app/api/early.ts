/** Answers that are under way, by what was asked: the two scripts share nothing but the page. */
const page: typeof globalThis & { early?: Map<string, Promise<Response>> | undefined } = globalThis;

/** An answer of before is none: what nobody has taken by then is let go, ms. */
const keptFor = 10_000;

/** The rig that lies on the bench at an address. */
export function rigOf(path: string): number | null {
    const rig = Number(/^\/bench\/(\d{1,15})$/.exec(path)?.[1]);
    return Number.isInteger(rig) ? rig : null;
}

/** What a place asks first: who is here; on the bench its rig, and the rigs there are. */
export function firstQuestions(path: string): string[] {
    const rig = rigOf(path);
    return ['/api/me', ...(rig === null ? [] : [`/api/rigs/${rig}`]), ...(path.startsWith('/bench') ? ['/api/rigs'] : [])];
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

/** Whether anything was asked before. */
export const isEarly = () => page.early !== undefined;

/** The answer that is under way already, once; else it is asked for now. Whatever changes something makes old what was asked before it. */
export function answerTo(request: Request): Promise<Response> {
    if (request.method !== 'GET') page.early = undefined;
    const { pathname, search } = new URL(request.url);
    const early = page.early?.get(pathname + search);
    if (!early) return fetch(request);
    page.early?.delete(pathname + search);
    return early.catch(() => fetch(request));
}
