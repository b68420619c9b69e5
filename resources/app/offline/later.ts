import { Away, Refused } from '../api/client';

/** As often as that is looked whether what waits can go home, ms. */
export const again = 5_000;

/** Whether it is worth trying again later: no answer, or a server that is busy, away or wants somebody signed in. */
export const isForLater = (error: unknown) =>
    error instanceof Away || !(error instanceof Refused) || error.status >= 500 || [401, 408, 419, 429].includes(error.status);

/** A page and what it is made of stay on the device; false where the browser keeps no pages, as over plain http. */
export async function keepPage(address: string): Promise<boolean> {
    if (!('serviceWorker' in navigator)) return false;
    try {
        await navigator.serviceWorker.register('/sw.js', { scope: '/' });
        await navigator.serviceWorker.ready;
        await (await caches.open('outside')).add(address);
        return true;
    } catch {
        return false;
    }
}
