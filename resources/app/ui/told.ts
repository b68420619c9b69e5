import { useSyncExternalStore } from 'react';

/** Something outside of a page's state: a change of it is told to what shows it, and to nothing else. */
export interface Told<T> {
    read: () => T | null;
    hold: (next: T | null) => void;
    watch: (tell: () => void) => () => void;
}

export function told<T>(): Told<T> {
    let held: T | null = null;
    const watchers = new Set<() => void>();
    return {
        read: () => held,
        hold(next) {
            if (next === held) return;
            held = next;
            for (const tell of watchers) tell();
        },
        watch(tell) {
            watchers.add(tell);
            return () => watchers.delete(tell);
        },
    };
}

/** What of it is looked at: whoever asks is drawn again when that is another, and at no other change. */
export function useTold<T, S>(of: Told<T>, look: (held: T | null) => S): S {
    return useSyncExternalStore(of.watch, () => look(of.read()));
}

/** All of it. */
export const useAllTold = <T>(of: Told<T>): T | null => useSyncExternalStore(of.watch, of.read);

/** What something comes to with what is in the hand, worked out once a step: all that show the step share it. */
export function once<K extends object, H, R>(work: (of: K, held: H) => R): (of: K, held: H) => R {
    const last = new WeakMap<K, { held: H; came: R }>();
    return (of, held) => {
        const known = last.get(of);
        if (known?.held === held) return known.came;
        const came = work(of, held);
        last.set(of, { held, came });
        return came;
    };
}
