import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Away, reasonOf, Refused } from '../api/client';
import { entriesOf, keepEntry, keepPack, newId, nowHere, packOf, takeHome, type Entry, type Pack, type Written } from './outings';

/** As often as that is looked whether what waits can go home, ms. */
const again = 5_000;

/** Whether it is worth trying again later: no answer, or a server that is busy, away or wants somebody signed in. */
const isForLater = (error: unknown) =>
    error instanceof Away || !(error instanceof Refused) || error.status >= 500 || [401, 408, 419, 429].includes(error.status);

/**
 * An outing outside: everything of it is on this device, what is written down is kept here first and goes home by itself, in order, once.
 */
export function useField(outing: number) {
    const [pack, setPack] = useState<Pack | null | undefined>(undefined);
    const [written, setWritten] = useState<readonly Written[]>([]);
    const [isHome, setHome] = useState(true);
    const [needsSignIn, setNeedsSignIn] = useState(false);
    const [stays, setStays] = useState(true);
    const sending = useRef(false);

    const read = useCallback(async () => setWritten(await entriesOf(outing)), [outing]);

    /** Sends what waits, one after the other; what breaks off in the middle is sent again later, and is taken once. */
    const send = useCallback(async () => {
        if (sending.current) return;
        sending.current = true;
        try {
            const waits = (await entriesOf(outing)).filter(({ sent, refused }) => !sent && refused === null);
            if (waits.length === 0) return;
            // Whoever else uses this device sends nothing of what another wrote.
            const me = await api.me();
            for (const each of waits.filter(({ person }) => person === me.id)) {
                try {
                    await api.takeEntry(outing, each.id, each.entry);
                    await keepEntry({ ...each, sent: true });
                } catch (error) {
                    if (isForLater(error)) throw error;
                    await keepEntry({ ...each, refused: reasonOf(error) });
                }
            }
            setHome(true);
            setNeedsSignIn(false);
        } catch (error) {
            setHome(!(error instanceof Away));
            setNeedsSignIn(error instanceof Refused && error.status === 401);
        } finally {
            sending.current = false;
        }
        await read();
    }, [outing, read]);

    useEffect(() => {
        let gone = false;
        const load = async () => {
            const here = await packOf(outing);
            if (!gone && here) setPack(here);
            await read();
            try {
                const [person, view, plan, log] = await Promise.all([
                    api.me(),
                    api.outing(outing),
                    api.planOuting(outing),
                    api.entries(outing),
                ]);
                await takeHome(
                    outing,
                    person.id,
                    log.map(({ entry }) => entry as unknown as Entry),
                );
                await read();
                const fresh = { outing: view, plan, person: person.id, at: nowHere() };
                await keepPack(fresh);
                if (!gone) {
                    setPack(fresh);
                    setHome(true);
                    setStays(await keepPage());
                }
            } catch (error) {
                if (!gone) {
                    setHome(!(error instanceof Away));
                    // What isn't theirs who are here now isn't shown to them, though it lies on this device.
                    setPack((before) => (error instanceof Refused && error.status === 404 ? null : (before ?? here ?? null)));
                }
            }
            await send();
        };
        void load();
        const onLine = () => void send();
        addEventListener('online', onLine);
        const timer = setInterval(onLine, again);
        return () => {
            gone = true;
            removeEventListener('online', onLine);
            clearInterval(timer);
        };
    }, [outing, read, send]);

    const write = useCallback(
        async (entry: Omit<Entry, 'id' | 'at'>) => {
            const whole: Entry = { id: newId(), at: nowHere(), ...entry };
            await keepEntry({
                id: whole.id,
                outing,
                person: pack?.person ?? 0,
                order: Math.max(Date.now(), ...written.map((each) => each.order + 1)),
                entry: whole,
                sent: false,
                refused: null,
            });
            await read();
            void send();
        },
        [outing, pack, written, read, send],
    );

    return { pack, written, waiting: written.filter(({ sent }) => !sent).length, isHome, needsSignIn, stays, write };
}

/** The page itself and what it is made of stay on the device; false where the browser keeps no pages, as over plain http. */
async function keepPage(): Promise<boolean> {
    if (!('serviceWorker' in navigator)) return false;
    try {
        await navigator.serviceWorker.register('/sw.js', { scope: '/' });
        await navigator.serviceWorker.ready;
        await (await caches.open('outside')).add(location.pathname);
        return true;
    } catch {
        return false;
    }
}
