import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Away, Refused, type RigView, type Step } from '../api/client';
import { dropSteps, keepStep, waitingSteps, type WaitingStep } from './waiting';

/** Between two tries to reach the server, ms. */
const again = 2000;

/** A step that waits on this device: it is not lost, and there is no figure for it yet. */
export class Waits extends Error {}

export interface Conflict {
    /** The rig as it is on the server by now. */
    theirs: RigView;
}

/**
 * What waits to be sent of one rig. Steps are kept on the device when the server is away and sent in order when it is back; where the rig
 * has changed meanwhile, whoever is here decides.
 */
export function useWaiting(person: number, rig: number, arrived: (rig: RigView) => void, waits: string) {
    const [steps, setSteps] = useState<WaitingStep[]>([]);
    // Until the device has been asked, nobody knows whether all is saved.
    const [asked, setAsked] = useState(false);
    const [conflict, setConflict] = useState<Conflict | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const sending = useRef(false);

    useEffect(() => {
        let here = true;
        waitingSteps(person, rig)
            .then((kept) => here && kept.length > 0 && setSteps(kept))
            .catch(() => undefined)
            .finally(() => here && setAsked(true));
        return () => {
            here = false;
        };
    }, [person, rig]);

    /** Keeps a step for later. Always throws Waits: there is nothing to show for it yet. */
    const keep = useCallback(
        async (id: string, revision: number, step: Step): Promise<never> => {
            const before = await waitingSteps(person, rig);
            const waiting: WaitingStep = { id, person, rig, revision: before.length === 0 ? revision : null, step, at: Date.now() };
            await keepStep(waiting);
            setSteps([...before, waiting]);
            throw new Waits(waits);
        },
        [person, rig, waits],
    );

    /** Takes the last one back. */
    const dropLast = useCallback(async () => {
        const kept = await waitingSteps(person, rig);
        const last = kept.at(-1);
        if (last) await dropSteps([last.id]);
        setSteps(kept.slice(0, -1));
    }, [person, rig]);

    const send = useCallback(async () => {
        if (sending.current) return;
        sending.current = true;
        let sent = 0;
        try {
            for (;;) {
                const [first, second] = await waitingSteps(person, rig);
                if (!first) {
                    // Another window of this device has sent them: what came of it is on the server.
                    if (sent === 0) arrived(await api.rig(rig));
                    break;
                }
                try {
                    const now = await api.step(rig, first.revision ?? 0, first.step, first.id);
                    // The next one is meant for what this one left, also when this page is closed before it is sent.
                    if (second) await keepStep({ ...second, revision: now.revision });
                    await dropSteps([first.id]);
                    sent++;
                    arrived(now);
                } catch (error) {
                    if (error instanceof Refused && error.status === 409) {
                        setConflict({ theirs: await api.rig(rig) });
                        return;
                    }
                    if (!(error instanceof Refused) || error instanceof Away || error.status === 429 || error.status === 419) return;
                    // It can't be carried out any more, as the rig stands by now: it is told, and the rest goes on.
                    setTrouble(error.message);
                    if (second) await keepStep({ ...second, revision: first.revision });
                    await dropSteps([first.id]);
                }
                setSteps(await waitingSteps(person, rig));
            }
            setSteps([]);
        } catch {
            // Nothing was lost: it is all still on the device.
        } finally {
            sending.current = false;
        }
    }, [person, rig, arrived]);

    useEffect(() => {
        if (steps.length === 0 || conflict) return;
        const timer = setInterval(() => void send(), again);
        const now = () => void send();
        window.addEventListener('online', now);
        return () => {
            clearInterval(timer);
            window.removeEventListener('online', now);
        };
    }, [steps.length, conflict, send]);

    /** Puts the waiting steps on top of the rig as it is by now. */
    const putOnTop = useCallback(async () => {
        if (!conflict) return;
        const [first] = await waitingSteps(person, rig);
        if (first) await keepStep({ ...first, revision: conflict.theirs.revision });
        arrived(conflict.theirs);
        setConflict(null);
        await send();
    }, [conflict, person, rig, arrived, send]);

    /** Lets the waiting steps go, and takes the rig as it is by now. */
    const letGo = useCallback(async () => {
        await dropSteps((await waitingSteps(person, rig)).map(({ id }) => id));
        if (conflict) arrived(conflict.theirs);
        setSteps([]);
        setConflict(null);
    }, [conflict, person, rig, arrived]);

    return { steps, asked, conflict, trouble, keep, dropLast, putOnTop, letGo };
}

export type Waiting = ReturnType<typeof useWaiting>;
