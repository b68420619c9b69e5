import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { newId } from '../../offline/outings';
import type { Answer } from '../../offline/useDay';
import { VisitorsHead } from '../../shell/VisitorsHead';
import { practice as practiceWords } from '../../strings/practice';
import { Button } from '../../ui/Button';
import { narrowLook } from '../../ui/Narrow';
import { EveningAnswers } from './EveningAnswers';
import { QuestionCard } from './QuestionCard';

const say = practiceWords.practice;

/** The key of this device’s sheet: whoever comes back goes on where they were. */
function keyOf(token: string): string {
    const name = `evening ${token.slice(0, 12)}`;
    try {
        const kept = localStorage.getItem(name);
        if (kept !== null) return kept;
        const key = newId();
        localStorage.setItem(name, key);
        return key;
    } catch {
        return newId();
    }
}

/** A club’s evening, for anybody with its link: ten questions, then what all have answered. */
export default function EveningPage() {
    const { token = '' } = useParams();
    const [key] = useState(() => keyOf(token));
    const queries = useQueryClient();
    const sheet = useQuery({ queryKey: keys.joined(token), queryFn: () => api.joinEvening(token, key), retry: false, staleTime: Infinity });
    const [name, setName] = useState<string | null>(null);
    const [at, setAt] = useState<number | null>(null);
    const answer = useMutation({
        mutationFn: ({ place, given }: { place: number; given: Answer | null }) =>
            api.answerEvening(token, { key, place, name: name === null || name.trim() === '' ? null : name.trim(), guess: null, ...given }),
        onSuccess: (next) => queries.setQueryData(keys.joined(token), next),
    });
    const view = sheet.data;
    const open = view?.truths.findIndex((truth) => truth === null) ?? -1;
    const isOver = view !== undefined && at === null && open === -1;
    const question = view && at !== null ? view.questions[at] : undefined;
    return (
        <div className="flex min-h-dvh flex-col">
            <VisitorsHead note={say.evening.note} />
            <main id="main" className="mx-auto w-full max-w-[880px] px-4 py-4" aria-busy={sheet.isPending}>
                {(sheet.isError || answer.isError) && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2 text-base">
                        {reasonOf(sheet.error ?? answer.error)}
                    </p>
                )}
                {view && at === null && open !== -1 && (
                    <>
                        <h1 className="text-xl font-semibold">{view.title}</h1>
                        <p className="max-w-[560px] py-2 text-base text-soft">{say.evening.intro(view.questions.length)}</p>
                        <label className="block max-w-[320px] py-2 text-sm">
                            <span className="block text-xs text-soft">{say.evening.who}</span>
                            <input
                                className={`${narrowLook} w-full`}
                                maxLength={60}
                                value={name ?? view.name ?? ''}
                                onChange={(event) => setName(event.target.value)}
                            />
                        </label>
                        <Button strong onClick={() => setAt(open)}>
                            {say.evening.begin}
                        </Button>
                    </>
                )}
                {view && question && at !== null && (
                    <>
                        <p className="figures pb-2 text-sm text-soft">
                            {view.title} · {say.progress(at + 1, view.questions.length)}
                        </p>
                        <QuestionCard
                            key={at}
                            asked={question}
                            truth={view.truths[at] ?? null}
                            line={question.options.length > 0 ? say.fromWords(view.title) : say.from(view.title)}
                            verdict={null}
                            busy={answer.isPending}
                            onAnswer={(given) => answer.mutate({ place: at, given })}
                            onNext={() => setAt(open === -1 ? null : open)}
                        />
                    </>
                )}
                {isOver && <Results token={token} own={key} title={view.title} />}
            </main>
        </div>
    );
}

function Results({ token, own, title }: { token: string; own: string; title: string }) {
    const results = useQuery<Schema['EveningResults']>({
        queryKey: keys.eveningResults(token, own),
        queryFn: () => api.eveningResults(token, own),
        retry: false,
        refetchInterval: 15_000,
    });
    return (
        <>
            <h1 className="text-xl font-semibold">
                {title}: {say.evening.all}
            </h1>
            {results.isError && <p role="alert">{reasonOf(results.error)}</p>}
            {results.data && <EveningAnswers results={results.data} />}
        </>
    );
}
