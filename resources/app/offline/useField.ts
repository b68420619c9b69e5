import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Away, reasonOf, Refused } from '../api/client';
import { entriesOf, keepEntry, keepPack, newId, nowHere, packOf, takeHome, type Entry, type Pack, type Written } from './outings';
import { again, isForLater, keepPage } from './later';

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
        let later: ReturnType<typeof setTimeout> | undefined;
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
                    setStays(await keepPage(location.pathname));
                }
            } catch (error) {
                // A server that is busy, or to which a newer question of the same person came, is asked again: that says nothing of the outing.
                const isBusy = error instanceof Refused && !(error instanceof Away) && (error.status === 409 || isForLater(error));
                if (isBusy && error.status !== 401 && !here) {
                    if (!gone) later = setTimeout(() => void load(), again);
                } else if (!gone) {
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
            clearTimeout(later);
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
