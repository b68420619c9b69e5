import type { Schema } from '../../api/client';
import { usePreferences } from '../../shell/preferences';
import { practice as practiceWords } from '../../strings/practice';
import { digits, lengthDigits, phrase, type Units } from '../../ui/figures';
import { engraved, placeOf, said } from './guess';
import { Told } from './Told';

const say = practiceWords.practice.evening;

const [width, edge, row] = [640, 40, 16];

/** What all have answered, question by question, over what is true. */
export function EveningAnswers({ results }: { results: Schema['EveningResults'] }) {
    const { units } = usePreferences();
    if (results.sheets === 0) return <p className="text-sm text-soft">{say.nobody}</p>;
    return (
        <>
            <p className="text-sm text-soft">{say.took(results.sheets)}</p>
            <ol>
                {results.questions.map((question, n) => (
                    <li key={n} className="border-b border-line py-4">
                        <h2 className="pb-1 text-base font-semibold">
                            {n + 1}. {phrase(question.asked.pattern, question.asked.numbers, units)}
                        </h2>
                        {question.asked.options.length > 0 ? <Words question={question} /> : <Widths question={question} units={units} />}
                        <Told asked={question.asked} truth={question.truth} units={units} />
                    </li>
                ))}
            </ol>
        </>
    );
}

const nameOf = (answer: Schema['EveningAnswer']) => answer.name ?? (answer.own ? say.you : null);

function Words({ question }: { question: Schema['EveningQuestion'] }) {
    const { asked, answers, truth } = question;
    return (
        <ul className="pb-2 text-sm">
            {asked.options.map((option, n) => {
                const chose = answers.filter(({ guess }) => guess === n);
                return (
                    <li key={option} className={truth.truth === n ? 'font-semibold text-madder' : ''}>
                        {say.chose(option, chose.length)}{' '}
                        <span className="font-normal text-soft">{chose.flatMap((each) => nameOf(each) ?? []).join(', ')}</span>
                    </li>
                );
            })}
            <Unknowing answers={answers} />
        </ul>
    );
}

function Unknowing({ answers }: { answers: readonly Schema['EveningAnswer'][] }) {
    const didnt = answers.filter(({ guess }) => guess === null).length;
    return didnt > 0 ? <li className="text-soft">{say.didnt(didnt)}</li> : null;
}

/** Each answer with its width, one under the other, and what is true through all of them. */
function Widths({ question, units }: { question: Schema['EveningQuestion']; units: Units }) {
    const { asked, answers, truth } = question;
    const given = answers.filter(({ guess }) => guess !== null);
    const x = (value: number) => edge + placeOf(asked, value) * (width - 2 * edge);
    const line = given.length * row + 24;
    return (
        <>
            <svg viewBox={`0 0 ${width} ${line + 28}`} className="block w-full max-w-[640px]" role="img" aria-label={say.answers}>
                <path d={`M${x(truth.truth)} 4V${line + 6}`} stroke="var(--madder)" strokeWidth={2} />
                {given.map(({ guess, low, high, own, name }, n) => (
                    <g key={n}>
                        <path
                            d={`M${x(low ?? 0)} ${20 + n * row}H${x(high ?? 0)}`}
                            stroke="var(--brass)"
                            strokeWidth={own ? 6 : 3}
                            opacity={0.6}
                        />
                        <circle cx={x(guess ?? 0)} cy={20 + n * row} r={own ? 5 : 3.5} fill="var(--brass)" />
                        <text
                            x={Math.min(width - 4, x(high ?? 0) + 6)}
                            y={24 + n * row}
                            textAnchor={x(high ?? 0) > width - 90 ? 'end' : 'start'}
                            fontSize={11}
                            fill="var(--ink)"
                            stroke="var(--plate)"
                            strokeWidth={4}
                            paintOrder="stroke"
                        >
                            {name ?? (own ? say.you : '')}
                        </text>
                    </g>
                ))}
                <path d={`M${edge} ${line}H${width - edge}`} stroke="var(--ink)" />
                {engraved(asked)
                    .filter(({ label }) => label)
                    .map(({ value }) => (
                        <text
                            key={value}
                            x={x(value)}
                            y={line + 16}
                            textAnchor="middle"
                            fontSize={11}
                            className="figures"
                            fill="var(--ink)"
                        >
                            {asked.unit === 'mm' ? lengthDigits(value, units) : digits(value)}
                        </text>
                    ))}
            </svg>
            <ul className="pb-1 text-sm">
                <li className="sr-only">
                    {given.map((each) => `${nameOf(each) ?? '–'}: ${said(asked.unit, each.guess ?? 0, units)}`).join('; ')}
                </li>
                <li className="figures text-soft">{say.held(given.filter(({ inside }) => inside).length, given.length)}</li>
                <Unknowing answers={answers} />
            </ul>
        </>
    );
}
