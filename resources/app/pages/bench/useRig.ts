import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { api, Away, type LightSweep, Refused, type RigView, type Schema, type Step, type SweepView } from '../../api/client';
import { keys } from '../../api/queries';
import { useWaiting } from '../../offline/useWaiting';
import { strings } from '../../strings/index';

/** A rig, its steps one after the other, and what became of the last one. */
export function useRig(id: number, person: number) {
    const queries = useQueryClient();
    const query = useQuery({ queryKey: keys.rig(id), queryFn: () => api.rig(id) });

    const arrived = useCallback(
        (rig: RigView) => {
            queries.setQueryData(keys.rig(id), rig);
            // The list of rigs is asked for again when its menu opens: nothing is to stand in the way of the next sweep.
            void queries.invalidateQueries({ queryKey: keys.rigs, refetchType: 'none' });
        },
        [queries, id],
    );

    const change = useMutation({
        // One step at a time: each is meant for the revision that the one before it left.
        scope: { id: `rig-${id}` },
        mutationFn: async (ask: (rig: number, revision: number) => Promise<RigView>) => {
            const now = queries.getQueryData<RigView>(keys.rig(id));
            if (!now) throw new Refused(409, 'The rig is not loaded yet.');
            return ask(id, now.revision);
        },
        onSuccess: arrived,
        onError: (error) => {
            if (error instanceof Refused && error.status === 409) void queries.invalidateQueries({ queryKey: keys.rig(id) });
        },
    });

    const { mutate, mutateAsync, reset } = change;
    const waiting = useWaiting(person, id, arrived, strings.offline.waits);
    const { keep, dropLast } = waiting;
    const count = waiting.steps.length;
    const step = useCallback(
        async (what: Step) => {
            const before = queries.getQueryData<RigView>(keys.rig(id))?.revision ?? 0;
            const name = crypto.randomUUID();
            // What comes after a step that waits, waits behind it.
            if (count > 0) return keep(name, before, what);
            const rig = await mutateAsync((of, revision) => api.step(of, revision, what, name)).catch((error: unknown) => {
                if (!(error instanceof Away)) throw error;
                reset();
                return keep(name, before, what);
            });
            if (what.action === 'set' && rig.revision === before + 1) carry(queries, rig, before, what.travel);
            return rig;
        },
        [queries, id, mutateAsync, reset, keep, count],
    );
    // What waits is taken back here; what is saved, on the server.
    const undo = useCallback(
        () => (count > 0 ? void dropLast() : mutate((rig, revision) => api.undo(rig, revision))),
        [mutate, dropLast, count],
    );
    const redo = useCallback(() => mutate((rig, revision) => api.redo(rig, revision)), [mutate]);
    const rename = useCallback((name: string | null) => mutateAsync((rig, revision) => api.name(rig, revision, name)), [mutateAsync]);

    return { query, change, step, undo, redo, rename, waiting };
}

/** What a rig is made of, whatever it is set to: as long as this stays, the same parts fit at the same joints. */
export function makeOf(rig: RigView): string {
    return JSON.stringify([
        rig.camera.partId,
        rig.camera.name,
        rig.chain.map((part) => [part.partId, part.name, part.joint, part.fit, part.reversed]),
    ]);
}

/** A control's own sweep says what every position of it gives: moving it changes nothing there, so it need not be asked for again. */
function carry(queries: QueryClient, rig: RigView, before: number, name: string): void {
    const sweep = queries.getQueryData<SweepView>(keys.sweep(rig.id, before, name));
    const positions = rig.travels.find((travel) => travel.name === name)?.positions;
    if (
        sweep &&
        positions &&
        sweep.positions.length === positions.length &&
        sweep.positions.every((position, at) => position === positions[at])
    ) {
        queries.setQueryData(keys.sweep(rig.id, rig.revision, name), { ...sweep, revision: rig.revision });
        carryLight(queries, rig, before, name);
    }
}

/** So does its table of light; and light as the rig stands now is a row of it, so that nothing springs back meanwhile. */
function carryLight(queries: QueryClient, rig: RigView, before: number, name: string): void {
    const table = queries.getQueryData<LightSweep>(keys.lightSweep(rig.id, before, name));
    const light = queries.getQueryData<Schema['LightView']>(keys.light(rig.id, before));
    const value = rig.travels.find((travel) => travel.name === name)?.value;
    const row = value === undefined ? -1 : (table?.positions.indexOf(value) ?? -1);
    if (!table || !light || row < 0) return;
    const figures = Object.fromEntries(Object.entries(table.columns).map(([figure, column]) => [figure, column[row] ?? null]));
    queries.setQueryData(keys.lightSweep(rig.id, rig.revision, name), { ...table, revision: rig.revision });
    queries.setQueryData(keys.light(rig.id, rig.revision), { ...light, revision: rig.revision, figures });
}

/** The sweep of a travel at the rig's present revision; the one already here answers at once. */
export function useSweeps(rig: RigView | undefined) {
    const queries = useQueryClient();
    const id = rig?.id ?? 0;
    const revision = rig?.revision ?? 0;
    const fetch = useCallback(
        (travel: string): Promise<SweepView> =>
            queries.query({
                queryKey: keys.sweep(id, revision, travel),
                queryFn: () => api.sweep(id, travel),
                staleTime: Infinity,
                gcTime: 60_000,
            }),
        [queries, id, revision],
    );
    const ready = useCallback(
        (travel: string): SweepView | undefined => queries.getQueryData<SweepView>(keys.sweep(id, revision, travel)),
        [queries, id, revision],
    );
    return useMemo(() => ({ fetch, ready }), [fetch, ready]);
}
