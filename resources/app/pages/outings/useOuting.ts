import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refused } from '../../api/client';
import { keys, outingChanged, outingIsOld } from '../../api/queries';
import { fileOf, packedWith, type Outing, type Ticked } from './day';

/** Several devices tick the same list: it is looked at again as often as that, ms. */
const again = 5_000;

/** An outing, what is planned for it, and what is changed of it. */
export function useOuting(id: number) {
    const queries = useQueryClient();
    const outing = useQuery({ queryKey: keys.outing(id), queryFn: () => api.outing(id), retry: false, refetchInterval: again });
    const revision = outing.data?.revision;
    const plan = useQuery({
        queryKey: keys.outingPlan(id, revision),
        queryFn: () => api.planOuting(id),
        enabled: revision !== undefined,
        placeholderData: keepPreviousData,
        retry: false,
    });
    const save = useMutation({
        scope: { id: `outing ${id}` },
        mutationFn: ({ kit, ...changed }: Partial<Outing>) => {
            const now = queries.getQueryData<Outing>(keys.outing(id));
            if (!now) return Promise.reject(new Error('not here yet'));
            return api.saveOuting(id, {
                revision: now.revision,
                kit: kit === undefined ? now.kit : kit,
                outing: fileOf({ ...now, ...changed }),
            });
        },
        onSuccess: (saved) => outingChanged(queries, saved),
        onError: (error) => {
            if (error instanceof Refused && error.status === 409) outingIsOld(queries);
        },
    });
    // Ticked at once, whatever the server says of the list while more of it is still on its way.
    const [waiting, setWaiting] = useState<readonly Ticked[]>([]);
    const tick = useMutation({
        scope: { id: `ticks ${id}` },
        mutationFn: (each: Ticked) => api.tickOff(id, each),
        onSuccess: async (packed) => {
            // A look at the outing that set out before this was said would say the old list again.
            await queries.cancelQueries({ queryKey: keys.outing(id) });
            const now = queries.getQueryData<Outing>(keys.outing(id));
            if (now) queries.setQueryData(keys.outing(id), { ...now, packed });
        },
        onError: () => outingIsOld(queries),
        onSettled: (_, __, each) => setWaiting((now) => now.filter((other) => other !== each)),
    });
    return {
        outing: outing.data && waiting.length > 0 ? { ...outing.data, packed: packedWith(outing.data.packed, waiting) } : outing.data,
        plan: plan.data,
        /** Whether what is shown of the plan is of an older state. */
        isPlanning: plan.isFetching,
        trouble: outing.error ?? save.error ?? plan.error ?? tick.error,
        isLost: outing.error !== null && outing.data === undefined,
        save,
        tick: (what: string, ticked: boolean) => {
            const each = { what, ticked, at: new Date().toISOString() };
            setWaiting((now) => [...now, each]);
            tick.mutate(each);
        },
        retry: () => void outing.refetch(),
    };
}

export type Save = ReturnType<typeof useOuting>['save'];
