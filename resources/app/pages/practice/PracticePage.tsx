import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import type { Schema } from '../../api/client';
import { useDay, type Judged } from '../../offline/useDay';
import { Bar } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { look as lookWords } from '../../strings/look';
import { practice as practiceWords } from '../../strings/practice';
import { Button } from '../../ui/Button';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { phrase } from '../../ui/figures';
import { KitChoice } from '../../kit/KitChoice';
import { EveningsPanel } from './EveningsPanel';
import { QuestionCard } from './QuestionCard';
import { Skills } from './Skills';
import { Tasks } from './Tasks';
import { offSaid, said } from './guess';

const say = practiceWords.practice;

type Question = Schema['PracticeQuestionView'];

/** How one sitting went. */
interface Sitting {
    answered: number;
    known: number;
    widths: number;
    held: number;
    missed: readonly Question[];
}

const none: Sitting = { answered: 0, known: 0, widths: 0, held: 0, missed: [] };

/** In how many days that is, in words. */
function when(day: string): string {
    const days = Math.max(1, Math.round((Date.parse(day) - Date.parse(new Date().toISOString().slice(0, 10))) / 86_400_000));
    return days === 1 ? say.tomorrow : say.inDays(days);
}

/** Would I have known? One question at a time, from one’s own kit. */
export default function PracticePage() {
    const { kit, units } = usePreferences();
    const { day, trouble, isStranger, isHome, waiting, answer, more } = useDay(kit);
    const [at, setAt] = useState(0);
    const [told, setTold] = useState<{ judged: Judged } | null>(null);
    const [busy, setBusy] = useState(false);
    const [sitting, setSitting] = useState(none);
    const [guess, setGuess] = useState<number | null>(null);
    if (isStranger) return <Navigate to="/" replace />;
    if (day === undefined)
        return (
            <main className="min-h-dvh p-4 text-base text-soft" aria-busy>
                {say.loading}
            </main>
        );
    if (day === null) {
        return (
            <main className="min-h-dvh p-4 text-base">
                <p role="alert">{trouble ?? say.end}</p>
                <Button className="mt-3" onClick={() => void more()}>
                    {lookWords.look.retry}
                </Button>
            </main>
        );
    }
    const { view } = day;
    const question = view.questions[at];
    const give = async (of: Question, given: Parameters<typeof answer>[1]) => {
        setBusy(true);
        const judged = await answer(of, given);
        const { truth, low, high } = of.truth;
        const isWord = of.asked.options.length > 0;
        const isKnown = given !== null && (given.guess ?? -1) >= low && (given.guess ?? -1) <= high;
        setGuess(given?.guess ?? null);
        setSitting((before) => ({
            answered: before.answered + 1,
            known: before.known + (isKnown ? 1 : 0),
            missed: isKnown ? before.missed : [...before.missed, of],
            widths: before.widths + (given === null || isWord ? 0 : 1),
            held:
                before.held + (given !== null && !isWord && (given.low ?? Infinity) <= truth && truth <= (given.high ?? -Infinity) ? 1 : 0),
        }));
        setTold({ judged });
        setBusy(false);
    };
    const next = () => {
        setTold(null);
        setAt(at + 1);
    };
    const again = async () => {
        setBusy(true);
        await more();
        setAt(0);
        setTold(null);
        setSitting(none);
        setBusy(false);
    };
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={day.person}>{null}</Bar>
            <div className="grid flex-1 lg:grid-cols-[minmax(0,1fr)_412px]">
                <main id="main" className="min-w-0 px-4 py-3">
                    {(!isHome || waiting > 0) && (
                        <p role="status" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                            {[isHome ? null : say.away, waiting > 0 ? say.waiting(waiting) : null].filter(Boolean).join(' ')}
                        </p>
                    )}
                    {isHome && <KitChoice />}
                    {question ? (
                        <>
                            <p className="figures pb-1 text-sm text-soft">
                                {say.progress(at + 1, view.questions.length)}
                                {question.again && ` · ${say.back}`}
                            </p>
                            <QuestionCard
                                key={`${question.id} ${question.round}`}
                                asked={question.asked}
                                truth={told ? question.truth : null}
                                line={question.asked.options.length > 0 ? say.fromWords(day.kit.name) : say.from(day.kit.name)}
                                verdict={told && <Verdict question={question} judged={told.judged} guess={guess} waits={waiting > 0} />}
                                busy={busy}
                                onAnswer={(given) => void give(question, given)}
                                onNext={next}
                            />
                        </>
                    ) : view.questions.length === 0 && sitting.answered === 0 ? (
                        <EmptyPlace page title={say.empty.title} text={say.empty.text} example="question" caption={say.empty.caption}>
                            <Link to="/kit" className="plate bg-ink! px-3 py-1.5 text-sm font-medium text-plate">
                                {say.empty.kit}
                            </Link>
                        </EmptyPlace>
                    ) : (
                        <section aria-label={say.title} className="py-4">
                            <h1 className="text-lg font-semibold">{say.done.title(sitting.answered)}</h1>
                            <p className="pt-2 text-base">{say.done.known(sitting.known, sitting.answered)}</p>
                            {sitting.widths > 0 && <p className="text-base">{say.done.widths(sitting.held, sitting.widths)}</p>}
                            {sitting.missed.length > 0 && (
                                <>
                                    <h2 className="pt-4 text-sm font-semibold">{say.done.missed}</h2>
                                    <ul className="max-w-[760px]">
                                        {sitting.missed.map(({ id, asked, truth }) => (
                                            <li
                                                key={id}
                                                className="flex items-baseline justify-between gap-4 border-b border-line py-1.5 text-sm"
                                            >
                                                <span>{phrase(asked.pattern, asked.numbers, units)}</span>
                                                <span className="figures text-right font-semibold text-madder">
                                                    {asked.options[truth.truth] ?? said(asked.unit, truth.truth, units)}
                                                </span>
                                            </li>
                                        ))}
                                    </ul>
                                </>
                            )}
                            {!isHome && <p className="pt-2 text-sm text-soft">{say.end}</p>}
                            <Button strong className="mt-4" disabled={busy || !isHome} onClick={() => void again()}>
                                {say.done.more}
                            </Button>
                        </section>
                    )}
                </main>
                <aside className="border-line bg-plate px-5 py-4 max-lg:border-t lg:border-l" aria-label={say.skills.title}>
                    <Skills skills={view.skills} />
                    {view.nextOn !== null && view.waiting > 0 && (
                        <p className="pt-2 text-sm text-soft">{say.done.waiting(view.waiting, when(view.nextOn))}</p>
                    )}
                    {isHome && (
                        <>
                            <Tasks tasks={view.tasks} rig={view.rig} />
                            <EveningsPanel kit={day.kit.id} />
                        </>
                    )}
                </aside>
            </div>
        </div>
    );
}

interface Verdicted {
    question: Question;
    /** Null = it waits on this device, or the question isn’t asked any more. */
    judged: Judged;
    guess: number | null;
    waits: boolean;
}

/** What came of the answer, in words; where it waits on this device, that. */
function Verdict({ question, judged, guess, waits }: Verdicted) {
    if (judged === null) return <p className="text-sm text-soft">{waits ? say.kept : say.gone}</p>;
    const isWord = question.asked.options.length > 0;
    const off = judged.off === null ? null : offSaid(question.asked.skill, judged.off);
    return (
        <p className={`text-base ${judged.known ? 'text-verdigris' : ''}`}>
            {judged.known
                ? off === null
                    ? say.knownWord
                    : say.known(off)
                : off === null
                  ? say.missedWord
                  : say.missed(off, (guess ?? 0) > question.truth.truth)}{' '}
            {!isWord && off !== null && (judged.inside ? say.inside : say.outside)}{' '}
            {judged.dueOn !== null && say.comesBack(when(judged.dueOn))}
        </p>
    );
}
