import { useEffect, useRef, useState } from 'react';
import type { Schema } from '../../api/client';
import { hasOwnKeys } from '../../shell/PlaceKeys';
import { usePreferences } from '../../shell/preferences';
import { practice as practiceWords } from '../../strings/practice';
import { Button } from '../../ui/Button';
import { phrase } from '../../ui/figures';
import type { Answer } from '../../offline/useDay';
import { GuessScale } from './GuessScale';
import { ends, firstWidth, valueAt, type Guess } from './guess';
import { QuestionDrawing } from './QuestionDrawing';
import { Told } from './Told';

const say = practiceWords.practice;

interface Props {
    asked: Schema['AskedView'];
    /** What is true, once it may be told. */
    truth: Schema['TruthView'] | null;
    /** The line under the question. */
    line: string;
    /** What came of the answer, under the truth. */
    verdict: React.ReactNode;
    busy: boolean;
    onAnswer: (answer: Answer | null) => void;
    onNext: () => void;
}

/** One question: what is asked, the drawing, the answer, and what is true over it. */
export function QuestionCard({ asked, truth, line, verdict, busy, onAnswer, onNext }: Props) {
    const { units, letterKeys } = usePreferences();
    const [guess, setGuess] = useState<Guess | null>(null);
    const [word, setWord] = useState<number | null>(null);
    const isWord = asked.options.length > 0;
    const first: Guess = { value: valueAt(asked, 0.5), width: firstWidth(asked) };
    const next = useRef<HTMLButtonElement>(null);
    const title = useRef<HTMLHeadingElement>(null);
    const isTold = truth !== null;
    let given: Answer | null = null;
    if (isWord && word !== null) given = { guess: word, low: word, high: word };
    if (!isWord && guess !== null) given = { guess: guess.value, ...ends(asked, guess) };
    const pass = () => {
        setGuess(null);
        setWord(null);
        onAnswer(null);
    };
    useEffect(() => {
        if (isTold) next.current?.focus();
        else title.current?.focus();
    }, [isTold]);

    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || busy || hasOwnKeys(event.target)) return;
            const onButton = event.target instanceof HTMLElement && event.target.closest('button, a') !== null;
            const place = Number(event.key) - 1;
            if (event.key === 'Enter' && !onButton) {
                event.preventDefault();
                if (isTold) onNext();
                else if (given !== null) onAnswer(given);
            } else if (letterKeys && !isTold && event.key.toLowerCase() === 'd') {
                event.preventDefault();
                pass();
            } else if (letterKeys && !isTold && asked.options[place] !== undefined) {
                event.preventDefault();
                setWord(place);
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    });

    return (
        <article aria-label={phrase(asked.pattern, asked.numbers, units)}>
            <h1 ref={title} tabIndex={-1} className="max-w-[820px] text-lg leading-snug font-semibold outline-none">
                {phrase(asked.pattern, asked.numbers, units)}
            </h1>
            <p className="pt-1 text-sm text-soft">
                {asked.drawing !== null &&
                    asked.drawing.camera !== '' &&
                    asked.numbers.camera === undefined &&
                    `${say.on(asked.drawing.camera)} `}
                {line}
            </p>
            <div className="max-w-[820px] py-2">
                <QuestionDrawing asked={asked} guess={guess?.value ?? null} truth={truth?.truth ?? null} units={units} />
            </div>
            {isWord ? (
                <div role="radiogroup" aria-label={say.guess} className="max-w-[620px]">
                    {asked.options.map((option, n) => {
                        const isTrue = isTold && truth.truth === n;
                        return (
                            <div key={option}>
                                <button
                                    type="button"
                                    role="radio"
                                    aria-checked={word === n}
                                    disabled={isTold}
                                    onClick={() => setWord(n)}
                                    className={`flex min-h-11 w-full items-baseline gap-3 border-b border-line px-2 py-2 text-left text-base aria-checked:border-b-2 aria-checked:border-brass aria-checked:font-semibold ${isTrue ? 'text-madder' : ''}`}
                                >
                                    <span className="figures text-sm text-soft" aria-hidden>
                                        {n + 1}
                                    </span>
                                    <span>{option}</span>
                                    {isTrue && <span className="ml-auto text-sm">{say.isRight}</span>}
                                </button>
                            </div>
                        );
                    })}
                </div>
            ) : (
                <GuessScale asked={asked} guess={guess} first={first} onGuess={setGuess} truth={truth?.truth ?? null} units={units} />
            )}
            {truth === null ? (
                <div className="flex gap-2 py-4">
                    <Button strong disabled={given === null || busy} onClick={() => given && onAnswer(given)}>
                        {say.see}
                    </Button>
                    <Button disabled={busy} onClick={pass}>
                        {say.dontKnow}
                    </Button>
                </div>
            ) : (
                <div className="max-w-[620px] py-3">
                    <Told asked={asked} truth={truth} units={units} />
                    <div className="pt-2">{verdict}</div>
                    <button
                        ref={next}
                        type="button"
                        className="plate mt-4 bg-ink! px-3 py-1.5 text-sm font-medium text-plate"
                        disabled={busy}
                        onClick={onNext}
                    >
                        {say.next}
                    </button>
                </div>
            )}
        </article>
    );
}
