import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys, outingChanged } from '../../api/queries';
import { useKit } from '../../kit/useKit';
import { Bar } from '../../shell/Bar';
import { log as logWords } from '../../strings/log';
import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { dayWords } from './day';
import { LogNav } from './log/LogNav';
import { NewOuting } from './NewOuting';

const say = outingsWords.outings;

/** All outings, the newest first. */
export default function OutingsPage({ person }: { person: Schema['Person'] }) {
    const navigate = useNavigate();
    const queries = useQueryClient();
    const { kit } = useKit();
    const [making, setMaking] = useState(false);
    // A rig of the bench that is to be written down.
    const rig = useSearchParams()[0].get('rig');
    const to = (outing: number, done: boolean) =>
        rig !== null ? `/outings/${outing}/after?rig=${rig}` : done ? `/outings/${outing}/after` : `/outings/${outing}`;
    const file = useRef<HTMLInputElement>(null);
    const outings = useQuery({ queryKey: keys.outings, queryFn: api.outings });
    const bring = useMutation({
        mutationFn: async (of: File) => api.importOuting(await of.text(), kit?.id),
        onSuccess: (outing) => {
            outingChanged(queries, outing);
            void navigate(`/outings/${outing.id}`);
        },
    });
    const trouble = outings.error ?? bring.error;
    const buttons = (
        <>
            <Button strong onClick={() => setMaking(true)}>
                {say.add}
            </Button>
            <Button bare onClick={() => file.current?.click()}>
                {say.import}
            </Button>
        </>
    );
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <LogNav />
            <main id="main" className="w-full flex-1 px-5 py-3" aria-busy={outings.isPending}>
                {trouble !== null && (
                    <p role="alert" className="my-2 border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(trouble)}
                    </p>
                )}
                {rig !== null && <p className="border-l-[3px] border-brass bg-plate px-3 py-2 text-base">{logWords.log.whose}</p>}
                {outings.data?.length === 0 && (
                    <EmptyPlace page title={say.emptyTitle} text={say.emptyText} example="compare" caption={say.emptyCaption}>
                        {buttons}
                    </EmptyPlace>
                )}
                {outings.data && outings.data.length > 0 && (
                    <>
                        <div className="flex flex-wrap items-center gap-2 pb-3">
                            <h1 className="mr-auto text-lg font-semibold">{say.title}</h1>
                            {buttons}
                        </div>
                        <ul className="max-w-[860px] border-t border-line">
                            {outings.data.map((outing) => (
                                <li key={outing.id} className="border-b border-line">
                                    <Link
                                        to={to(outing.id, outing.when === 'done')}
                                        className="grid grid-cols-[1fr_auto] gap-x-4 px-1 py-3 hover:bg-plate focus-visible:bg-plate"
                                    >
                                        <span className="text-base font-semibold">{outing.name}</span>
                                        <span
                                            className={outing.when === 'today' ? 'text-sm font-semibold text-brass' : 'text-sm text-soft'}
                                        >
                                            {say.states[outing.when]}
                                        </span>
                                        <span className="col-span-2 text-sm text-soft">
                                            {[
                                                outing.date === null ? null : dayWords(outing.date),
                                                outing.place,
                                                say.subjects(outing.subjects),
                                                outing.entries > 0 ? logWords.log.written(outing.entries) : null,
                                            ]
                                                .filter(Boolean)
                                                .join(' · ')}
                                        </span>
                                    </Link>
                                </li>
                            ))}
                        </ul>
                    </>
                )}
                <input
                    ref={file}
                    type="file"
                    accept=".json,application/json"
                    aria-label={say.import}
                    className="sr-only"
                    tabIndex={-1}
                    onChange={(event) => {
                        const chosen = event.target.files?.[0];
                        event.target.value = '';
                        if (chosen) bring.mutate(chosen);
                    }}
                />
                <NewOuting
                    open={making}
                    kit={kit?.id ?? null}
                    onClose={() => setMaking(false)}
                    onMade={(outing) => {
                        outingChanged(queries, outing);
                        void navigate(to(outing.id, false));
                    }}
                />
            </main>
        </div>
    );
}
