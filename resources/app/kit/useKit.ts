import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, Refused, type KitView } from '../api/client';
import { usePreferences } from '../shell/preferences';
import { keys, kitChanged, kitIsOld } from '../api/queries';

/** Which of the person's kits is looked at: the one chosen on this device, else the first. */
export function useKits() {
    const { kit: chosen, setKit } = usePreferences();
    const kits = useQuery({ queryKey: keys.kits, queryFn: api.kits });
    const current = kits.data?.find(({ id }) => id === chosen) ?? kits.data?.[0];
    return { kits: kits.data, id: current?.id, choose: setKit, error: kits.error, refetch: kits.refetch };
}

/** The kit that is looked at; its parts, history and what became of the last change. */
export function useKit() {
    const queries = useQueryClient();
    const { id, error, refetch: kitsAgain } = useKits();
    const query = useQuery({ queryKey: keys.kit(id), queryFn: () => api.kit(id ?? 0), enabled: id !== undefined });

    const change = useMutation({
        scope: { id: 'kit' },
        mutationFn: async (ask: (kit: number) => Promise<KitView | undefined>) => ask(id ?? 0),
        // Whoever undoes at once means what this one did: until the kit has been read, nothing else is asked of it.
        onSuccess: (kit) => kitChanged(queries, kit),
        onError: (error) => {
            if (error instanceof Refused && error.status === 409) kitIsOld(queries);
        },
    });

    const { refetch: kitAgain } = query;
    const retry = useCallback(() => void (id === undefined ? kitsAgain() : kitAgain()), [id, kitsAgain, kitAgain]);

    const travel = (ask: typeof api.undoKit) =>
        change.mutate((kit) => ask(kit, queries.getQueryData<KitView>(keys.kit(kit))?.revision ?? query.data?.revision ?? 1));

    return {
        id,
        query,
        trouble: error ?? query.error,
        retry,
        kit: query.data,
        change,
        undo: () => travel(api.undoKit),
        redo: () => travel(api.redoKit),
    };
}

export type KitChange = ReturnType<typeof useKit>['change'];
