import { compare as compareWords } from '../../strings/compare';
import { targets, type Asked } from './asked';

const say = compareWords.compare;
const pick = 'border-b-2 border-dotted border-verdigris bg-transparent text-verdigris';
const blank = 'figures w-20 border-b-2 border-brass bg-transparent px-1 text-right text-brass outline-none focus:bg-plate';

interface Props {
    wanted: Asked;
    /** Depth of the target as the server has it: stands in the blank while nothing is typed. */
    depthMm: number | null;
    onChange: (changes: Record<string, string | null>) => void;
}

/** What each is brought to, and what it photographs, as a sentence with blanks. */
export function Sentence({ wanted, depthMm, onChange }: Props) {
    // What was set by hand was set from where the rig stood: brought elsewhere, it is brought anew.
    const bring = (changes: Record<string, string | null>) => onChange({ ...changes, set: null });
    const number = (event: { target: { value: string } }) => event.target.value.replace(',', '.');
    return (
        <>
            <label>
                {say.bring}{' '}
                <select className={pick} value={wanted.to} onChange={(event) => bring({ to: event.target.value, value: null })}>
                    {Object.entries(say.to).map(([value, text]) => (
                        <option key={value} value={value}>
                            {text}
                        </option>
                    ))}
                </select>
            </label>
            {wanted.to !== '' && wanted.to !== 'closest' && (
                <label>
                    <span className="sr-only">{say.to[wanted.to]}</span>
                    <input
                        key={wanted.to}
                        className={blank}
                        inputMode="decimal"
                        defaultValue={wanted.value ?? ''}
                        onChange={(event) => bring({ value: number(event) })}
                    />{' '}
                    {wanted.to === 'magnification' ? '×' : 'mm'} {wanted.to === 'subjectDistanceMm' && say.fromSensor}
                </label>
            )}
            <label>
                {say.light}{' '}
                <select className={pick} value={wanted.stop} onChange={(event) => bring({ stop: event.target.value })}>
                    {Object.entries(say.stop).map(([value, text]) => (
                        <option key={value} value={value}>
                            {text}
                        </option>
                    ))}
                </select>
            </label>
            {wanted.stop === 'effective' && (
                <input
                    aria-label={say.stop.effective}
                    className={blank}
                    inputMode="decimal"
                    defaultValue={wanted.effective ?? ''}
                    onChange={(event) => bring({ effective: number(event) })}
                />
            )}
            <label>
                {say.target}{' '}
                <select
                    className={pick}
                    value={wanted.target}
                    onChange={(event) => onChange({ target: event.target.value === 'subject' ? null : event.target.value, depth: null })}
                >
                    {targets.map((each) => (
                        <option key={each} value={each}>
                            {say.at[each]}
                        </option>
                    ))}
                </select>
            </label>
            <label>
                <input
                    key={wanted.target}
                    className={blank}
                    inputMode="decimal"
                    defaultValue={wanted.depthMm ?? ''}
                    placeholder={depthMm === null ? '' : String(Number(depthMm.toFixed(2)))}
                    onChange={(event) => onChange({ depth: number(event) })}
                />{' '}
                {say.deep}
            </label>
        </>
    );
}
