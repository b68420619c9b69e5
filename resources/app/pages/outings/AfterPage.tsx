import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { nowHere } from '../../offline/outings';
import { Bar } from '../../shell/Bar';
import { log as logWords } from '../../strings/log';
import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';
import { Lost } from '../../ui/Lost';
import { Menu, MenuItem } from '../../ui/Menu';
import { EntryDialog } from './log/EntryDialog';
import type { Said } from './log/entryForm';
import { EntryRow } from './log/EntryRow';
import { Pages } from './log/Pages';
import { useLog } from './log/useLog';
import { ChooseRig } from './ChooseRig';
import { OutingHead } from './OutingHead';

const say = logWords.log;

/** One outing after it: what was written down, as engraved, beside what was said. */
export default function AfterPage({ person }: { person: Schema['Person'] }) {
    const id = Number(useParams().outing ?? 0);
    const [params, setParams] = useSearchParams();
    const page = Math.max(1, Number(params.get('page') ?? 1) || 1);
    const outing = useQuery({ queryKey: keys.outing(id), queryFn: () => api.outing(id), retry: false });
    const log = useLog({ outing: id, page });
    const [asks, setAsks] = useState<'rig' | Said | null>(null);
    const rig = params.get('rig');
    const blank = useQuery({
        queryKey: keys.blankEntry(rig),
        queryFn: () => api.blankEntry(Number(rig)),
        enabled: rig !== null,
        retry: false,
    });
    const writes = asks ?? (rig === null || !blank.data ? null : (blank.data.entry as unknown as Said));
    const close = () => {
        setAsks(null);
        if (rig !== null) setParams({}, { replace: true });
    };
    const trouble = outing.error ?? log.error ?? blank.error;
    const subjects = outing.data?.subjects.map(({ name }) => name) ?? [];
    const pictures = log.data?.entries.some((entry) => entry.pictures.length > 0) ?? false;
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full flex-1" aria-busy={outing.isPending || log.isPending}>
                {outing.data === undefined && trouble !== null && <Lost error={trouble} onRetry={() => void outing.refetch()} />}
                {outing.data && (
                    <>
                        <OutingHead outing={outing.data} place="after" state={log.data && say.written(log.data.total)}>
                            {log.data && log.data.total > 0 && (
                                <>
                                    <Button onClick={() => location.assign(api.outingAddress(id, 'csv'))}>{say.csv}</Button>
                                    <Menu align="end" label={say.more}>
                                        <MenuItem onSelect={() => location.assign(api.outingAddress(id, 'file'))}>
                                            {outingsWords.outings.file}
                                        </MenuItem>
                                        <MenuItem disabled={!pictures} onSelect={() => location.assign(api.outingAddress(id, 'xmp'))}>
                                            {say.xmp}
                                        </MenuItem>
                                    </Menu>
                                </>
                            )}
                            <Link to={`/outings/${id}/outside`} className="plate border border-line px-3 py-1.5 text-sm hover:border-ink">
                                {outingsWords.outings.outside}
                            </Link>
                            <Button strong onClick={() => setAsks('rig')}>
                                {say.add}
                            </Button>
                        </OutingHead>
                        {trouble !== null && (
                            <p role="alert" className="mx-5 my-2 border-l-[3px] border-ink pl-2 text-sm">
                                {reasonOf(trouble)}
                            </p>
                        )}
                        <section aria-label={say.entries} className="px-5 pt-3 pb-8">
                            {log.data?.total === 0 && (
                                <div className="py-6">
                                    <p className="text-base font-semibold">{say.none}</p>
                                    <p className="text-sm text-soft">{say.noneText}</p>
                                </div>
                            )}
                            {log.data && log.data.total > 0 && (
                                <ul className="border-t border-ink">
                                    {log.data.entries.map((entry) => (
                                        <EntryRow key={entry.id} entry={entry} subjects={subjects} />
                                    ))}
                                </ul>
                            )}
                            {log.data && (
                                <Pages
                                    page={log.data.page}
                                    pages={log.data.pages}
                                    onGo={(to) => setParams(to === 1 ? {} : { page: String(to) }, { replace: true })}
                                />
                            )}
                        </section>
                        {writes === 'rig' && <ChooseRig outing={outing.data} onClose={close} onPick={setAsks} />}
                        {writes !== null && writes !== 'rig' && (
                            <EntryDialog
                                outing={id}
                                subjects={subjects}
                                from={writes}
                                at={nowHere()}
                                replaces={[]}
                                title={say.add}
                                text={say.newText}
                                onClose={close}
                            />
                        )}
                    </>
                )}
            </main>
        </div>
    );
}
