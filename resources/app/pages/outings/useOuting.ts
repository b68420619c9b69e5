import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, Refused } from '../../api/client';
import { keys, outingChanged, outingIsOld } from '../../api/queries';
import { fileOf, type Outing } from './day';

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
    const tick = useMutation({
        scope: { id: `ticks ${id}` },
        mutationFn: (each: { what: string; ticked: boolean; at: string }) => api.tickOff(id, each),
        // Ticked at once; what the server says of the whole list comes after it.
        onMutate: ({ what, ticked }) => {
            const now = queries.getQueryData<Outing>(keys.outing(id));
            if (now) {
                const others = now.packed.filter((each) => each !== what);
                queries.setQueryData(keys.outing(id), { ...now, packed: ticked ? [...others, what] : others });
            }
        },
        onSuccess: (packed) => {
            const now = queries.getQueryData<Outing>(keys.outing(id));
            if (now) queries.setQueryData(keys.outing(id), { ...now, packed });
        },
        onError: () => outingIsOld(queries),
    });
    return {
        outing: outing.data,
        plan: plan.data,
        /** Whether what is shown of the plan is of an older state. */
        isPlanning: plan.isFetching,
        trouble: outing.error ?? save.error ?? plan.error ?? tick.error,
        isLost: outing.error !== null && outing.data === undefined,
        save,
        tick: (what: string, ticked: boolean) => tick.mutate({ what, ticked, at: new Date().toISOString() }),
        retry: () => void outing.refetch(),
    };
}

export type Save = ReturnType<typeof useOuting>['save'];
