import { useCallback, useEffect, useRef, useState } from 'react';
import type { ComparedSweep } from '../../api/client';
import { withSet } from './asked';
import { told, type Told } from '../../ui/told';
import type { Held } from './inHand';
import type { Rig } from './shown';

type Sweep = ComparedSweep;

/** What a hand does to a control: moves it, lets it go, or types what it is to be. */
export interface Hand {
    move: (rig: Rig, sweep: Sweep, row: number) => void;
    leave: (rig: Rig, sweep: Sweep) => void;
    type: (rig: Rig, sweep: Sweep, value: number) => void;
}

/**
 * One control of one rig in the hand: everything is looked up in its sweep while it is moved, and where it is left goes into the address.
 *
 * @param said what the server says; what it says of the place where the control was left takes over from the sweep
 * @param isOld whether it still says it of another place
 */
export function useHand(
    set: readonly string[],
    onSet: (set: string[]) => void,
    said: unknown,
    isOld: boolean,
): { inHand: Told<Held>; hand: Hand } {
    const [inHand] = useState(told<Held>);
    const wanted = useRef<Held | null>(null);
    const now = useRef({ set, onSet });
    useEffect(() => {
        now.current = { set, onSet };
    });
    useEffect(() => {
        if (!isOld && wanted.current === null) inHand.hold(null);
    }, [said, isOld, inHand]);
    const type = useCallback((rig: Rig, { travel }: Sweep, value: number) => {
        wanted.current = null;
        now.current.onSet(withSet(now.current.set, rig.letter, travel.name, value));
    }, []);
    const move = useCallback(
        (rig: Rig, sweep: Sweep, row: number) => {
            wanted.current = { id: rig.id, row, sweep };
            inHand.hold(wanted.current);
        },
        [inHand],
    );
    const leave = useCallback(
        (rig: Rig, sweep: Sweep) => {
            const value = wanted.current?.id === rig.id ? sweep.travel.positions[wanted.current.row] : undefined;
            if (value !== undefined && value !== sweep.travel.value) type(rig, sweep, value);
            else {
                wanted.current = null;
                inHand.hold(null);
            }
        },
        [type, inHand],
    );
    const [hand] = useState<Hand>({ move, leave, type });
    return { inHand, hand };
}
