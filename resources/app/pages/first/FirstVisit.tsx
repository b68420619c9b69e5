import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { api, messageOf, Refused, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { Doors } from '../../shell/Account';
import { Mark } from '../../shell/Mark';
import { displayedReadings } from '../../rig/displayedReadings';
import { TwoFigures } from '../../rig/Readings';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { account as accountWords } from '../../strings/account';
import { first as firstWords } from '../../strings/first';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { useAddress } from '../../ui/useAddress';
import { useSettled } from '../../ui/useSettled';
import { Drawn, FourFigures, Ruler, TellsMost } from './Answer';
import { asked, names, type Name } from './answers';
import { LiveBlank } from './LiveBlank';
import { Moving } from './Moving';
import { WhatBetween, WhichBody, WhichLens, type Questions } from './Questions';

const say = firstWords.first;
const kept = 'first visit';
const link = 'text-beam underline underline-offset-2 min-h-8 max-sm:min-h-11';

/** Three questions, and the answer to them; who has an account goes in by the same page. */
export function FirstVisit({ person = null, trouble = null }: { person?: Schema['Person'] | null; trouble?: string | null }) {
    const { units } = usePreferences();
    const queries = useQueryClient();
    const navigate = useNavigate();
    const { params, change } = useAddress();
    const [door, setDoor] = useState<'in' | 'up' | null>(null);
    const answers = asked(params);
    const text = answers.toString();

    // Who comes back to this device finds what they had answered.
    useEffect(() => {
        const before = localStorage.getItem(kept);
        if (before !== null && asked(new URLSearchParams(location.search)).size === 0)
            change(Object.fromEntries(new URLSearchParams(before)));
        // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page opens
    }, []);
    useEffect(() => {
        if (text !== '') localStorage.setItem(kept, text);
    }, [text]);

    const settled = useSettled(text, text, 120);
    const query = useQuery({
        queryKey: keys.first(settled),
        queryFn: () => api.answerFirst(new URLSearchParams(settled)),
        enabled: new URLSearchParams(settled).has('body'),
        placeholderData: keepPreviousData,
        retry: false,
    });
    const faults: Readonly<Record<string, string>> = query.error instanceof Refused ? query.error.fields : {};
    // While something can't be so, the last answer stands.
    const [last, setLast] = useState<Schema['FirstView'] | null>(null);
    if (query.data && query.data !== last) setLast(query.data);
    const view = answers.has('body') ? (query.data ?? last) : null;

    const open = useMutation({ mutationFn: api.openDemonstration, onSuccess: (who) => queries.setQueryData(keys.me, who) });
    const keep = useMutation({
        mutationFn: async (door: 'bench' | 'account') => ({ ...(await api.keepFirst(asked(params))), door }),
        onSuccess: ({ rig, door: to }) => {
            localStorage.removeItem(kept);
            queries.removeQueries({ queryKey: keys.kits });
            queries.removeQueries({ queryKey: keys.rigs });
            void navigate(`/bench/${rig}`, { replace: true, state: { keep: to === 'account' } });
        },
    });
    // Who is here is known only once the address is the rig's: else the places would lead to one of their own.
    const { pathname } = useLocation();
    const arrived = keep.data;
    useEffect(() => {
        if (arrived && pathname === `/bench/${arrived.rig}`) queries.setQueryData(keys.me, arrived.person);
    }, [arrived, pathname, queries]);
    const set = useCallback((of: Partial<Record<Name, string | null>>) => change(of), [change]);
    const of: Questions = {
        get: (name) => params.get(name),
        change: set,
        trouble: (name) => faults[name],
        camera: view?.camera ?? {},
        lens: view?.lens ?? {},
    };
    const loose =
        query.error !== null && !names.some((name) => name in faults) ? (Object.values(faults)[0] ?? messageOf(query.error)) : null;
    const failed = keep.error ?? open.error;
    return (
        <div className="flex min-h-dvh flex-col">
            <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-ink px-4 py-3 lg:px-7">
                <Mark size={24} />
                <h1 className="text-lg font-semibold text-balance">{say.title}</h1>
                <p className="text-sm text-soft max-sm:sr-only">{say.note}</p>
                <div className="ml-auto flex items-center gap-4 text-sm">
                    {person === null ? (
                        <>
                            {(['in', 'up'] as const).map((each) => (
                                <button key={each} type="button" className={link} onClick={() => setDoor(each)}>
                                    {accountWords.account.doors[each]}
                                </button>
                            ))}
                            <button
                                type="button"
                                className={link}
                                disabled={open.isPending}
                                title={say.openNote}
                                onClick={() => open.mutate()}
                            >
                                {open.isPending ? say.opening : say.open}
                            </button>
                        </>
                    ) : (
                        <Link to="/bench" className={link}>
                            {say.back}
                        </Link>
                    )}
                </div>
            </header>
            <main id="main" className="flex flex-1 flex-col" aria-busy={query.isFetching}>
                {(failed !== null || trouble !== null) && (
                    <p role="alert" className="mx-4 mt-3 border-l-[3px] border-ink pl-3 text-sm lg:mx-7">
                        {say.failed} {failed === null ? trouble : messageOf(failed)}
                    </p>
                )}
                {view && <TwoFigures shown={displayedReadings(view.rig, null)} units={units} />}
                <div className="grid divide-line border-b border-ink max-lg:divide-y lg:min-h-[300px] lg:grid-cols-[33fr_34fr_33fr] lg:divide-x">
                    <WhichBody of={of} />
                    <WhichLens of={of} />
                    <WhatBetween of={of} />
                </div>
                <div className="grid flex-1 lg:grid-cols-[1fr_412px]">
                    <div className="min-w-0 px-4 py-3 lg:px-7">
                        {view ? <Drawn view={view} units={units} /> : <Moving />}
                        {loose !== null && (
                            <p role="alert" className="mt-2 border-l-[3px] border-ink pl-3 text-sm">
                                {loose}
                            </p>
                        )}
                    </div>
                    <aside className="border-line bg-plate px-5 py-2 max-lg:border-t lg:border-l" aria-label={say.answer.label}>
                        {view ? (
                            <>
                                <FourFigures view={view} units={units} />
                                {view.next === null && <Ruler view={view} units={units} />}
                                {view.next && (
                                    <TellsMost next={view.next} units={units}>
                                        {view.next.question === 'rim' ? (
                                            <LiveBlank
                                                label={say.answer.rim}
                                                value={null}
                                                guess={Number(view.lens['frontRimMm'])}
                                                onChange={(value) => set({ rimMm: value === null ? null : String(value) })}
                                            />
                                        ) : null}
                                    </TellsMost>
                                )}
                                <div className="flex flex-wrap gap-2 pt-3">
                                    <Button strong disabled={keep.isPending} onClick={() => keep.mutate('bench')}>
                                        {say.answer.bench}
                                    </Button>
                                    {person === null && (
                                        <Button disabled={keep.isPending} onClick={() => keep.mutate('account')}>
                                            {say.answer.keep}
                                        </Button>
                                    )}
                                </div>
                                {person === null && <p className="pt-2 pb-3 text-xs text-soft">{say.answer.kept}</p>}
                            </>
                        ) : (
                            <p className="py-3 text-sm text-soft">{say.answer.wait}</p>
                        )}
                    </aside>
                </div>
            </main>
            {door !== null && (
                <Dialog open onOpenChange={() => setDoor(null)} title={strings.product} text={say.doors}>
                    <Doors initial={door} onDone={(who) => queries.setQueryData(keys.me, who)} />
                </Dialog>
            )}
        </div>
    );
}
