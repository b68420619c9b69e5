import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, Refused, type KitView } from '../api/client';

/** The person's kit; its parts, history and what became of the last change. */
export function useKit() {
    const queries = useQueryClient();
    const kits = useQuery({ queryKey: ['kits'], queryFn: api.kits });
    const id = kits.data?.[0]?.id;
    const query = useQuery({ queryKey: ['kit', id], queryFn: () => api.kit(id ?? 0), enabled: id !== undefined });

    const arrived = (kit?: KitView) => {
        if (kit) queries.setQueryData(['kit', kit.id], kit);
        else void queries.invalidateQueries({ queryKey: ['kit'] });
        // Rigs follow corrections, the tray and the map show the kit.
        for (const key of ['kits', 'gone', 'map', 'tray', 'rig', 'rigs', 'sweep', 'mends', 'crossing'])
            void queries.invalidateQueries({ queryKey: [key] });
    };

    const change = useMutation({
        scope: { id: 'kit' },
        mutationFn: async (ask: (kit: number) => Promise<KitView | undefined>) => ask(id ?? 0),
        onSuccess: (kit) => arrived(kit),
        onError: (error) => {
            if (error instanceof Refused && error.status === 409) void queries.invalidateQueries({ queryKey: ['kit'] });
        },
    });

    const { refetch: kitsAgain } = kits;
    const { refetch: kitAgain } = query;
    const retry = useCallback(() => void (id === undefined ? kitsAgain() : kitAgain()), [id, kitsAgain, kitAgain]);

    const travel = (ask: typeof api.undoKit) =>
        change.mutate((kit) => ask(kit, queries.getQueryData<KitView>(['kit', kit])?.revision ?? query.data?.revision ?? 1));

    return {
        id,
        query,
        trouble: kits.error ?? query.error,
        retry,
        kit: query.data,
        change,
        undo: () => travel(api.undoKit),
        redo: () => travel(api.redoKit),
    };
}

export type KitChange = ReturnType<typeof useKit>['change'];
