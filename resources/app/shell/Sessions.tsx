import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/queries';
import { account as accountWords } from '../strings/account';
import { Button } from '../ui/Button';

const say = accountWords.account;

const when = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** Where one is signed in, each with its end, and what happened at the door. */
export function Sessions() {
    const queries = useQueryClient();
    const sessions = useQuery({ queryKey: keys.sessions, queryFn: api.sessions, staleTime: 0 });
    const log = useQuery({ queryKey: keys.signIns, queryFn: api.signIns, staleTime: 0 });
    const end = useMutation({ mutationFn: api.endSession, onSuccess: () => queries.invalidateQueries({ queryKey: keys.sessions }) });
    return (
        <>
            <ul className="text-sm">
                {sessions.data?.map((each) => (
                    <li key={each.id} className="flex items-center gap-3 border-b border-line py-1.5">
                        <span className="min-w-0 flex-1">
                            <span className="block truncate">{browserOf(each.browser)}</span>
                            <span className="figures block text-xs text-soft">
                                {each.address} · {when(each.lastUsedAt)}
                            </span>
                        </span>
                        {each.current ? (
                            <span className="text-xs text-soft">{say.thisOne}</span>
                        ) : (
                            <Button disabled={end.isPending} onClick={() => end.mutate(each.id)}>
                                {say.endSession}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {(sessions.error ?? end.error) && (
                <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2 text-sm">
                    {(sessions.error ?? end.error)?.message}
                </p>
            )}
            <details className="pt-2 text-sm">
                <summary className="text-beam underline underline-offset-2">{say.log}</summary>
                <ul className="slim-scroll max-h-44 overflow-auto pt-1" tabIndex={0} aria-label={say.log}>
                    {log.data?.map((each, at) => (
                        <li key={at} className="border-b border-line py-1">
                            {say.happened[each.what] ?? each.what}
                            <span className="figures block text-xs text-soft">
                                {each.address} · {when(each.at)} · {browserOf(each.browser)}
                            </span>
                        </li>
                    ))}
                    {log.data?.length === 0 && <li className="text-soft">{say.nothingYet}</li>}
                </ul>
            </details>
        </>
    );
}

/** What a browser calls itself is a riddle: the part in brackets says on what it runs. */
function browserOf(agent: string | null): string {
    if (agent === null) return say.unknownBrowser;
    return /\(([^)]+)\)/.exec(agent)?.[1]?.split(';').slice(0, 2).join(',') ?? agent.slice(0, 60);
}
