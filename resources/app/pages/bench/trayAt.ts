import { api, type RigView, type TrayView } from '../../api/client';
import { keys } from '../../api/queries';
import type { Lying } from '../../drawing/asked';
import { makeOf } from './useRig';

/** The kit as it lies before one joint of a rig. */
export const trayAt = (rig: RigView, index: number) => ({
    queryKey: keys.tray(rig.id, makeOf(rig), index),
    queryFn: () => api.tray(rig.id, index),
});

/** A part of the tray with the rings that lead to it, in the order in which they go on. */
export function lyingIn(tray: TrayView, id: number, withRings = true): Lying[] {
    const wanted = tray.parts.find(({ part }) => part.id === id);
    return [...(withRings ? (wanted?.via ?? []) : []), id].flatMap((each) => {
        const lying = tray.parts.find(({ part }) => part.id === each);
        return lying ? [{ part: lying.part, reversed: each === id && lying.reversed }] : [];
    });
}
