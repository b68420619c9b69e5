import { createContext, use, useSyncExternalStore } from 'react';
import type { RigView, Schema } from '../../api/client';
import { displayedReadings, type ActiveSweep, type DisplayedReadings } from '../../rig/displayedReadings';

/** Something outside of the page's state: a change of it is told to what shows it, and to nothing else. */
export interface Told<T> {
    read: () => T | null;
    hold: (next: T | null) => void;
    watch: (told: () => void) => () => void;
}

/** What the hand holds. */
export type InHand = Told<ActiveSweep>;

/** A rig as it will stand when what was asked of its parts is done; it is drawn until the answer is here. */
export interface Asked {
    /** The revision that it was asked of. */
    revision: number;
    drawing: Schema['DrawingView'];
}

/** Where the drawing has the middles of the parts, px, and how wide it is; 0 = it scrolls, and nothing can stand under it. */
export interface Places {
    centres: ReadonlyMap<number, number>;
    width: number;
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

/** The rig on the bench, what is in the hand, what was asked of its parts, and where a control rests whose step waits to be sent. */
export interface OnBench {
    rig: RigView;
    hand: InHand;
    asked: Told<Asked>;
    resting: ActiveSweep | null;
}

export const BenchContext = createContext<OnBench | null>(null);

/** A revision that is not a sweep's own makes that sweep stale: it is let go. */
export function liveOf({ rig, resting }: OnBench, held: ActiveSweep | null): ActiveSweep | null {
    return [held, resting].find((each) => each?.sweep.revision === rig.revision) ?? null;
}

const lastShown = new WeakMap<RigView, { live: ActiveSweep | null; shown: DisplayedReadings }>();

/** What is shown of a rig now. All that show a step of the hand share it. */
export function shownOf(rig: RigView, live: ActiveSweep | null): DisplayedReadings {
    const last = lastShown.get(rig);
    if (last?.live === live) return last.shown;
    const shown = displayedReadings(rig, live);
    lastShown.set(rig, { live, shown });
    return shown;
}

const useBench = (): OnBench => {
    const bench = use(BenchContext);
    if (!bench) throw new Error('Nothing lies on the bench.');
    return bench;
};

/** The control that is moved now and its row: whoever asks is drawn again with each step of the hand. */
export function useLive(): ActiveSweep | null {
    const bench = useBench();
    return liveOf(bench, useSyncExternalStore(bench.hand.watch, bench.hand.read));
}

/** Whether a control is held at all: drawn again when it is taken and left. */
export function useIsHeld(): boolean {
    const bench = useBench();
    return useSyncExternalStore(bench.hand.watch, () => liveOf(bench, bench.hand.read()) !== null);
}

/** What is shown now, with each step of the hand. */
export function useShown(): { rig: RigView; live: ActiveSweep | null; shown: DisplayedReadings } {
    const { rig } = useBench();
    const live = useLive();
    return { rig, live, shown: shownOf(rig, live) };
}

/** What was asked of the parts and isn't answered yet. */
export function useAsked(): Asked | null {
    const { rig, asked } = useBench();
    const now = useSyncExternalStore(asked.watch, asked.read);
    return now?.revision === rig.revision ? now : null;
}
