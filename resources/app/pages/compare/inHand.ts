import { createContext, use } from 'react';
import type { ComparedSweep, Schema } from '../../api/client';
import { once, useTold, type Told } from '../../ui/told';
import { moved, type Rig } from './shown';

type View = Schema['ComparisonView'];

/** One rig of the comparison whose control is in the hand: everything of it is looked up in its sweep. */
export interface Held {
    id: number;
    row: number;
    sweep: ComparedSweep;
}

/** What the server says of the rigs, and what is in the hand. */
export interface Compared {
    told: View;
    inHand: Told<Held>;
}

export const ComparedContext = createContext<Compared | null>(null);

/** The rigs as they stand now; one that isn't in the hand is the very one that was told. */
export const rigsOf = once((told: View, held: Held | null): readonly Rig[] =>
    held === null ? told.rigs : told.rigs.map((rig) => moved(rig, held, told.target)),
);

function useCompared<S>(look: (held: Held | null, told: View) => S): S {
    const compared = use(ComparedContext);
    if (!compared) throw new Error('Nothing is compared.');
    return useTold(compared.inHand, (held) => look(held, compared.told));
}

/** All rigs as they stand now: drawn again with each step of the hand, as long as they are shown. */
export const useRigs = (areShown = true): readonly Rig[] => useCompared((held, told) => (areShown ? rigsOf(told, held) : told.rigs));

/** One rig as it stands now: drawn again with each step of a control of its own. */
export const useRig = (rig: Rig): Rig => useCompared((held, told) => rigsOf(told, held).find(({ id }) => id === rig.id) ?? rig);

/** Where a rig's control is in the hand; null = none of it is. */
export const useRow = (rig: Rig): number | null => useCompared((held) => (held?.id === rig.id ? held.row : null));

/** Whether anything is in the hand: drawn again when it is taken and left. */
export const useIsHeld = (): boolean => useCompared((held) => held !== null);

/** Something worked out of all rigs as they stand now: drawn again when it comes to something else. */
export const useOfRigs = (worked: (rigs: readonly Rig[]) => number): number => useCompared((held, told) => worked(rigsOf(told, held)));
