import { useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { strings } from '../strings/index';
import { Button } from './Button';

/** A piece of the screen that isn't seen at first, and so doesn't come with the first script. */
export type Later<P> = ComponentType<P> & {
    /** Fetches it ahead; over when it is here, or can't be had now. */
    fetch: () => Promise<void>;
};

/**
 * A piece that comes when it is asked for. What has been fetched ahead is drawn at once; where it can't be fetched, it says so and is tried
 * again by a press, or with the page: where the application was renewed meanwhile, only that has the piece.
 *
 * `within`: what stands around the piece as long as it isn't here, and around the words where it can't be had.
 */
export function later<P extends object>(
    load: () => Promise<ComponentType<P>>,
    within: (words: ReactNode) => ReactNode = (words) => words,
): Later<P> {
    let piece: ComponentType<P> | null = null;
    let underWay: Promise<void> | null = null;
    const fetch = () =>
        (underWay ??= load().then(
            (found) => {
                piece = found;
            },
            () => {
                underWay = null;
            },
        ));

    function Piece(props: P) {
        const [tries, setTries] = useState(1);
        const [tried, setTried] = useState(0);
        const isHere = piece !== null;
        useEffect(() => {
            if (isHere) return;
            let stays = true;
            void fetch().then(() => {
                if (stays) setTried(tries);
            });
            return () => {
                stays = false;
            };
        }, [isHere, tries]);
        if (piece) {
            const Found = piece;
            return <Found {...props} />;
        }
        if (tried < tries) return within(null);
        return within(
            <p role="alert" className="flex flex-wrap items-center gap-x-3 border-l-[3px] border-ink p-2 text-sm">
                {strings.offline.piece}
                <Button onClick={() => setTries(tries + 1)}>{strings.bench.retry}</Button>
                <Button onClick={() => location.reload()}>{strings.offline.anew}</Button>
            </p>,
        );
    }
    return Object.assign(Piece, { fetch });
}

/** Whoever has just used a pointer or a key goes on, ms: what comes ahead waits until then. */
const pauseAfter = 1000;

/** When a hand was last on the screen or the keys, ms of the page. */
let lastHand = -Infinity;

if (typeof window !== 'undefined') {
    const note = () => (lastHand = performance.now());
    for (const sign of ['pointerdown', 'pointerup', 'keydown', 'wheel']) addEventListener(sign, note, { capture: true, passive: true });
    addEventListener('pointermove', ({ buttons }) => buttons !== 0 && note(), { capture: true, passive: true });
}

/** Fetches pieces ahead, one after the other, when nothing else is to be done: nothing under the hand waits for them. */
export function fetchAhead(pieces: readonly { fetch: () => Promise<void> }[]): () => void {
    let stays = true;
    const idle = 'requestIdleCallback' in window ? window.requestIdleCallback.bind(window) : (then: () => void) => setTimeout(then, 200);
    const next = (at: number) => {
        const piece = pieces[at];
        if (!stays || !piece) return;
        const pause = lastHand + pauseAfter - performance.now();
        if (pause > 0) setTimeout(() => next(at), pause);
        else idle(() => void piece.fetch().then(() => next(at + 1)));
    };
    next(0);
    return () => {
        stays = false;
    };
}
