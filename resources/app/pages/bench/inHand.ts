import { createContext, use } from 'react';
import type { RigView, Schema } from '../../api/client';
import { displayedReadings, type ActiveSweep, type DisplayedReadings } from '../../rig/displayedReadings';
import { once, useTold, type Told } from '../../ui/told';

/** What the hand holds. */
export type InHand = Told<ActiveSweep>;

/** A rig as it will stand when what was asked of its parts is done; it is drawn until the answer is here. */
export interface Asked {
    /** The revision that it was asked of. */
    revision: number;
    drawing: Schema['DrawingView'];
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

/** What is shown of a rig now. */
export const shownOf = once(displayedReadings);

const useBench = (): OnBench => {
    const bench = use(BenchContext);
    if (!bench) throw new Error('Nothing lies on the bench.');
    return bench;
};

/** The control that is moved now and its row: whoever asks is drawn again with each step of the hand. */
export function useLive(): ActiveSweep | null {
    const bench = useBench();
    return useTold(bench.hand, (held) => liveOf(bench, held));
}

/** Whether a control is held at all: drawn again when it is taken and left. */
export function useIsHeld(): boolean {
    const bench = useBench();
    return useTold(bench.hand, (held) => liveOf(bench, held) !== null);
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
    return useTold(asked, (now) => (now?.revision === rig.revision ? now : null));
}
