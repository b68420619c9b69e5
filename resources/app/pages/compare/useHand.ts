import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, type ComparisonQuery, type Schema, type TravelView } from '../../api/client';
import { keys } from '../../api/queries';
import { withSet } from './asked';
import type { Held, Rig } from './shown';

/**
 * One control of one rig in the hand: its sweep is fetched when the hand comes near, everything is looked up in it while it is moved, and
 * where it is left goes into the address.
 */
export function useHand(
    query: ComparisonQuery | null,
    set: readonly string[],
    onSet: (set: string[]) => void,
    told: Schema['ComparisonView'] | undefined,
    isOld: boolean,
) {
    const queries = useQueryClient();
    const [held, setHeld] = useState<Held | null>(null);
    const wanted = useRef<{ id: number; travel: string; row: number } | null>(null);
    // What the server says of the place where it was left takes over from the sweep.
    useEffect(() => {
        if (!isOld && wanted.current === null) setHeld(null);
    }, [told, isOld]);

    const fetch = useCallback(
        (rig: Rig, travel: TravelView) =>
            queries.query({
                queryKey: keys.comparisonSweep(query, rig.id, travel.name),
                queryFn: () => api.compareSweep(query ?? { rigs: '' }, rig.id, travel.name),
                staleTime: Infinity,
                gcTime: 60_000,
            }),
        [queries, query],
    );
    const reach = (rig: Rig, travel: TravelView) => void fetch(rig, travel).catch(() => undefined);
    const move = (rig: Rig, travel: TravelView, row: number) => {
        wanted.current = { id: rig.id, travel: travel.name, row };
        const here = queries.getQueryData<Schema['ComparedSweep']>(keys.comparisonSweep(query, rig.id, travel.name)) ?? null;
        setHeld({ id: rig.id, travel: travel.name, row, sweep: here });
        if (here) return;
        fetch(rig, travel)
            .then((sweep) => {
                const now = wanted.current;
                if (now?.id === rig.id && now.travel === travel.name) setHeld({ ...now, sweep });
            })
            .catch(() => undefined);
    };
    const type = (rig: Rig, travel: TravelView, value: number) => {
        wanted.current = null;
        onSet(withSet(set, rig.letter, travel.name, value));
    };
    const leave = (rig: Rig, travel: TravelView) => {
        const now = wanted.current;
        const value = now?.id === rig.id && now.travel === travel.name ? travel.positions[now.row] : undefined;
        if (value !== undefined && value !== travel.value) type(rig, travel, value);
        else {
            wanted.current = null;
            setHeld(null);
        }
    };
    return { held, reach, move, leave, type };
}
