import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { comparisonsChanged, keys, rigsChanged } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { compare as compareWords } from '../../strings/compare';
import { Button } from '../../ui/Button';
import { KeepDialog } from '../../ui/KeepDialog';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';
import { useAddress } from '../../ui/useAddress';
import { asked, blanksOf, drawn, most, queryOf, withoutRig } from './asked';
import { Drawn } from './Drawn';
import { FromFile } from './FromFile';
import { Ladder } from './Ladder';
import { Sentence } from './Sentence';
import { Start } from './Start';

const say = compareWords.compare;

/** Rigs side by side on the same target: all of it in the address, so that a comparison is kept, sent and opened as a link. */
export default function ComparePage({ person }: { person: Schema['Person'] }) {
    const { units } = usePreferences();
    const { params, change: set } = useAddress();
    const wanted = asked(params);
    const query = queryOf(wanted);
    const navigate = useNavigate();
    const queries = useQueryClient();
    const kept = useQuery({ queryKey: keys.rigs, queryFn: () => api.rigs() });
    const found = useQuery({
        queryKey: keys.comparison(query),
        queryFn: () => api.compare(query ?? { rigs: '' }),
        enabled: query !== null,
        placeholderData: keepPreviousData,
        staleTime: 0,
        retry: false,
    });
    // Each begins from the rigs that the address has by then, not from those that are drawn.
    const add = (ids: readonly number[]) => set((now) => ({ rigs: [...asked(now).rigs, ...ids].slice(0, most).join(',') }));
    const drop = (id: number) =>
        set((now) => {
            const { rigs, set: byHand } = asked(now);
            return {
                rigs: rigs.filter((each) => each !== id).join(','),
                set: withoutRig(byHand, rigs.indexOf(id)).join(','),
            };
        });
    const others = kept.data?.filter(({ id }) => !wanted.rigs.includes(id)) ?? [];
    const told = query === null ? undefined : found.data;
    const [keeping, setKeeping] = useState(false);
    const toBench = useMutation({
        mutationFn: (id: number) => api.bringToBench(id, wanted.rigs.join(','), blanksOf(wanted) ?? {}),
        onSuccess: (rig) => {
            queries.setQueryData(keys.rig(rig.id), rig);
            rigsChanged(queries);
            void navigate(`/bench/${rig.id}`);
        },
    });
    const isDrawn = told !== undefined && told.rigs.length <= drawn;
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full max-w-[1280px] px-5 py-2">
                <h1 className={wanted.rigs.length === 0 ? 'text-xl font-semibold' : 'sr-only'}>{say.title}</h1>
                {wanted.rigs.length === 0 && <p className="max-w-[60ch] pt-1 pb-2 text-base text-soft">{say.empty}</p>}
                {wanted.rigs.length > 0 && (
                    <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1 border-b border-ink pb-2 text-lg">
                        <Sentence wanted={wanted} depthMm={told?.target.depthMm ?? null} onChange={set} />
                        <span className="no-print ml-auto flex flex-wrap items-baseline text-sm">
                            {query && told && (
                                <>
                                    <Button strong onClick={() => setKeeping(true)}>
                                        {say.keep}
                                    </Button>
                                    <Menu label={say.out} align="end">
                                        <MenuItem onSelect={() => setTimeout(() => print(), 100)}>{say.print}</MenuItem>
                                        <MenuItem onSelect={() => location.assign(api.comparisonAddress(query, 'csv'))}>{say.csv}</MenuItem>
                                        <MenuItem onSelect={() => location.assign(api.comparisonAddress(query, 'file'))}>
                                            {say.file}
                                        </MenuItem>
                                        <MenuLine />
                                        <MenuItem onSelect={() => void navigate('/compare')}>{say.another}</MenuItem>
                                    </Menu>
                                </>
                            )}
                            <Menu label={say.add} align="end">
                                {(others.length === 0 || wanted.rigs.length >= most) && (
                                    <p className="px-3 py-1.5 text-sm text-soft">{say.none}</p>
                                )}
                                {wanted.rigs.length < most &&
                                    others.map((rig) => (
                                        <MenuItem key={rig.id} note={rig.parts} onSelect={() => add([rig.id])}>
                                            {rig.name ?? strings.bench.unnamed}
                                        </MenuItem>
                                    ))}
                            </Menu>
                            <FromFile onReady={(ready) => add(ready.rigs)} />
                        </span>
                    </div>
                )}
                {[query !== null && found.isError ? found.error : null, toBench.isError ? toBench.error : null].map(
                    (error, at) =>
                        error !== null && (
                            <p key={at} role="alert" className="my-2 border-l-[3px] border-ink pl-2">
                                {reasonOf(error)}
                            </p>
                        ),
                )}
                {wanted.rigs.length > 0 && query === null && <p className="py-2 text-soft">{say.fill}</p>}
                {told && !found.isError && !isDrawn && (
                    <Ladder
                        rigs={told.rigs}
                        target={told.target}
                        units={units}
                        onBench={(id) => toBench.mutate(id)}
                        onOnly={(ids) => set({ rigs: ids.join(','), set: null })}
                    />
                )}
                {isDrawn && !found.isError && query && (
                    <Drawn
                        told={told}
                        isOld={found.isPlaceholderData}
                        query={query}
                        set={wanted.set}
                        units={units}
                        onSet={(byHand) => set({ set: byHand.join(',') })}
                        onDrop={drop}
                        onBench={(id) => toBench.mutate(id)}
                    />
                )}
                {wanted.rigs.length === 0 && <Start rigs={kept.data} units={units} onBegin={(id) => add([id])} />}
                <KeepDialog
                    open={keeping}
                    onClose={() => setKeeping(false)}
                    title={say.keep}
                    text={say.keepText}
                    onKeep={async (name) => {
                        await api.keepComparison(name, wanted.rigs.join(','), blanksOf(wanted) ?? {});
                        comparisonsChanged(queries);
                    }}
                />
            </main>
        </div>
    );
}
