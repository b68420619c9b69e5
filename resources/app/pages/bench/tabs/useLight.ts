import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, type LightSweep, type RigView, type Schema } from '../../../api/client';
import { keys } from '../../../api/queries';
import { ofSameRig } from './planned';
import type { ActiveSweep } from '../../../rig/displayedReadings';

/** A figure of light by its name, as the rig stands under the hand; null = not known, undefined = not here yet. */
export type LightFigure = (name: string) => number | null | undefined;

/** Light of a rig: as it stands, and from the table of the control that is held. Nothing is asked for while one is. */
export function useLight(rig: RigView, held: ActiveSweep | null, wanted: { active: boolean; tables: boolean }) {
    const queries = useQueryClient();
    const { id, revision } = rig;
    const tables = wanted.active && wanted.tables;
    const light = useQuery({
        queryKey: keys.light(id, revision),
        queryFn: () => api.light(id),
        enabled: wanted.active,
        placeholderData: ofSameRig<Schema['LightView']>(rig.id),
    });
    // Tables of all controls come ahead, after the bench's own sweeps, one after the other.
    useEffect(() => {
        if (!tables) return;
        let stays = true;
        const fetchAll = async () => {
            for (const { name } of rig.travels) {
                if (!stays) return;
                await queries
                    .query({
                        queryKey: keys.lightSweep(id, revision, name),
                        queryFn: () => api.lightSweep(id, name),
                        staleTime: Infinity,
                        gcTime: 60_000,
                    })
                    .catch(() => undefined);
            }
        };
        void fetchAll();
        return () => {
            stays = false;
        };
        // eslint-disable-next-line react-hooks/exhaustive-deps -- once per revision
    }, [queries, id, revision, tables]);

    const table = held ? queries.getQueryData<LightSweep>(keys.lightSweep(id, revision, held.sweep.travel)) : undefined;
    const figure: LightFigure = (name) => (held ? table?.columns[name]?.[held.row] : light.data?.figures[name]);
    return { light, figure };
}
