import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/queries';
import { strings } from '../strings/index';
import { Button } from '../ui/Button';
import { Doors } from '../shell/Account';
import { Mark } from '../shell/Mark';

/** The way in: one press opens the demonstration. */
export function Welcome({ trouble }: { trouble: string | null }) {
    const queries = useQueryClient();
    const [door, setDoor] = useState<'in' | 'up' | null>(null);
    const open = useMutation({ mutationFn: api.openDemonstration, onSuccess: (person) => queries.setQueryData(keys.me, person) });
    return (
        <main className="grid min-h-dvh place-items-center px-6 py-10">
            <div className="max-w-[560px]">
                <div className="flex items-center gap-3">
                    <Mark size={30} />
                    <span className="text-lg font-semibold">{strings.product}</span>
                </div>
                <h1 className="mt-8 text-xl font-semibold text-balance">{strings.welcome.title}</h1>
                <p className="mt-4 text-base text-soft">{strings.welcome.text}</p>
                <EngravedLine />
                <Button strong className="text-base px-5 py-3" disabled={open.isPending} onClick={() => open.mutate()}>
                    {open.isPending ? strings.welcome.opening : strings.welcome.open}
                </Button>
                <p className="mt-3 text-sm text-soft">{strings.welcome.note}</p>
                {door === null ? (
                    <p className="mt-6 flex gap-5 text-sm">
                        <button type="button" className="text-beam underline underline-offset-2" onClick={() => setDoor('in')}>
                            {strings.account.doors.in}
                        </button>
                        <button type="button" className="text-beam underline underline-offset-2" onClick={() => setDoor('up')}>
                            {strings.account.doors.up}
                        </button>
                    </p>
                ) : (
                    <div className="mt-6 max-w-[420px] border-t-2 border-ink">
                        <Doors key={door} initial={door} onDone={(person) => queries.setQueryData(keys.me, person)} />
                    </div>
                )}
                {(open.isError || trouble) && (
                    <p role="alert" className="mt-4 border-l-[3px] border-ink pl-3 text-sm">
                        {strings.welcome.failed} {open.error?.message ?? trouble}
                    </p>
                )}
            </div>
        </main>
    );
}

function EngravedLine() {
    return (
        <svg className="my-8 w-full" viewBox="0 0 560 26" aria-hidden="true">
            <path d="M0 1H560" stroke="var(--ink)" strokeWidth="1.5" />
            {Array.from({ length: 57 }, (_, i) => (
                <path key={i} d={`M${i * 10} 1V${i % 5 === 0 ? 14 : 8}`} stroke="var(--soft)" strokeWidth="1" />
            ))}
        </svg>
    );
}
