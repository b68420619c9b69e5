import { createContext, use, useSyncExternalStore } from 'react';
import type { RigView } from '../../api/client';
import { displayedReadings, type ActiveSweep, type DisplayedReadings } from '../../rig/displayedReadings';

/** What the hand holds, outside of the page's state: a step of it is told to what shows it, and to nothing else. */
export interface InHand {
    read: () => ActiveSweep | null;
    hold: (next: ActiveSweep | null) => void;
    watch: (told: () => void) => () => void;
}

export function nothingInHand(): InHand {
    let held: ActiveSweep | null = null;
    const watchers = new Set<() => void>();
    return {
        read: () => held,
        hold(next) {
            if (next === held) return;
            held = next;
            for (const tell of watchers) tell();
        },
        watch(told) {
            watchers.add(told);
            return () => watchers.delete(told);
        },
    };
}

/** The rig on the bench, what is in the hand, and where a control rests whose step waits to be sent. */
export interface OnBench {
    rig: RigView;
    hand: InHand;
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
