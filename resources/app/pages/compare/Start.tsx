import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { comparisonsChanged, keys } from '../../api/queries';
import { KitChoice } from '../../kit/KitChoice';
import { NextStep } from '../../kit/NextStep';
import { useKit, useKits } from '../../kit/useKit';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { strings } from '../../strings/index';
import { compare as compareWords } from '../../strings/compare';
import { length, magnification, type Units } from '../../ui/figures';
import { addressOf } from './asked';
import { FromFile } from './FromFile';

const say = compareWords.compare;

/** The empty place: questions that one’s own kit can ask, comparisons that were kept, one’s rigs to begin with, files. */
export function Start({
    rigs,
    units,
    onBegin,
}: {
    rigs: readonly Schema['RigSummary'][] | undefined;
    units: Units;
    onBegin: (id: number) => void;
}) {
    const navigate = useNavigate();
    const queries = useQueryClient();
    const { kit } = useKit();
    const { kits, error } = useKits();
    const questions = useQuery({ queryKey: keys.questions(kit), queryFn: () => api.questions(kit?.id ?? 0), enabled: kit !== undefined });
    const kept = useQuery({ queryKey: keys.comparisons, queryFn: api.comparisons });
    const ask = useMutation({
        mutationFn: (school: string) => api.askSchool(kit?.id ?? 0, school),
        onSuccess: (ready) => void navigate(addressOf(ready.rigs, ready.asked)),
    });
    const drop = useMutation({ mutationFn: api.dropComparison, onSuccess: () => comparisonsChanged(queries) });
    // All of it at once: nothing moves away from under a hand.
    const isWaiting =
        kept.isPending || rigs === undefined || (error === null && (kits === undefined || (kits.length > 0 && questions.isPending)));
    if (isWaiting) return <p className="py-3 text-sm text-soft">{say.looking}</p>;
    return (
        <>
            <section aria-label={say.questions} className="py-3">
                <div className="flex items-baseline gap-4 pb-1">
                    <h2 className="text-sm font-semibold">{say.questions}</h2>
                    <KitChoice />
                </div>
                {questions.data?.length === 0 && <p className="text-sm text-soft">{say.noQuestion}</p>}
                {ask.isError && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(ask.error)}
                    </p>
                )}
                <ul className="grid gap-x-6 sm:grid-cols-2">
                    {questions.data?.map((question) => (
                        <li key={question.school}>
                            <button
                                type="button"
                                disabled={ask.isPending}
                                className="w-full border-b border-line py-2 text-left text-sm hover:bg-plate"
                                onClick={() => ask.mutate(question.school)}
                            >
                                <span className="block text-base font-semibold">{say.schools[question.school]}</span>
                                <span className="figures block text-xs text-brass">
                                    {say.bring.toLowerCase()} {say.to[question.to]}{' '}
                                    {question.to === 'magnification' ? magnification(question.value) : length(question.value, units)}
                                </span>
                                {question.names.map((name, n) => (
                                    <span key={name} className="block text-soft">
                                        {name}: {question.titles[n]}
                                    </span>
                                ))}
                            </button>
                        </li>
                    ))}
                </ul>
            </section>
            {kept.data && kept.data.length > 0 && (
                <section aria-label={say.kept} className="py-3">
                    <h2 className="pb-1 text-sm font-semibold">{say.kept}</h2>
                    <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
                        {kept.data.map((each) => (
                            <li key={each.id} className="flex items-baseline border-b border-line">
                                <Link className="min-w-0 flex-1 py-2 text-sm hover:bg-plate" to={addressOf(each.rigs, each.asked)}>
                                    <span className="block font-semibold">{each.name}</span>
                                    <span className="block truncate text-soft">{each.names.join(' · ')}</span>
                                </Link>
                                <button
                                    type="button"
                                    className="px-2 text-soft hover:text-ink"
                                    aria-label={say.forget(each.name)}
                                    onClick={() => drop.mutate(each.id)}
                                >
                                    ×
                                </button>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            <section aria-label={say.choose} className="py-3">
                {rigs.length > 0 && (
                    <div className="flex items-baseline gap-4 pb-1">
                        <h2 className="text-sm font-semibold">{say.choose}</h2>
                        <FromFile onReady={(ready) => void navigate(addressOf(ready.rigs, ready.asked))} />
                    </div>
                )}
                {rigs.length === 0 && (
                    <EmptyPlace title={say.emptyTitle} text={say.emptyText} example="compare" caption={strings.next.compare}>
                        <NextStep kit={kit} />
                        <FromFile onReady={(ready) => void navigate(addressOf(ready.rigs, ready.asked))} />
                    </EmptyPlace>
                )}
                <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
                    {rigs.map((rig) => (
                        <li key={rig.id}>
                            <button
                                type="button"
                                className="w-full border-b border-line py-2 text-left text-sm hover:bg-plate"
                                onClick={() => onBegin(rig.id)}
                            >
                                <span className="block font-semibold">{rig.name ?? strings.bench.unnamed}</span>
                                <span className="block text-soft">{rig.parts}</span>
                            </button>
                        </li>
                    ))}
                </ul>
            </section>
        </>
    );
}
