import { useEffect, useRef, useState } from 'react';
import { digits } from '../../ui/figures';
import { typedNumber } from '../../ui/typed';

interface Props {
    label: string;
    value: number | null;
    /** What is taken while it is empty. */
    guess?: number | null;
    onChange: (value: number | null) => void;
    /** What the server says of it. */
    trouble?: string | undefined;
    /** Takes the keyboard when it appears. */
    atOnce?: boolean;
    per?: number;
}

const text = (value: number | null | undefined, per: number) =>
    value === null || value === undefined ? '' : digits(value / per).replaceAll(',', '');

/** A blank whose answer follows at every key. */
export function LiveBlank({ label, value, guess, onChange, trouble, atOnce = false, per = 1 }: Props) {
    const [written, setWritten] = useState<string | null>(null);
    const box = useRef<HTMLInputElement>(null);
    useEffect(() => {
        if (atOnce) box.current?.focus();
    }, [atOnce]);
    const shown = written ?? text(value, per);
    const guessed = text(guess, per);
    const number = typedNumber(shown);
    const wrong = shown.trim() !== '' && number === null ? 'A number, please.' : trouble;
    return (
        // The room round it belongs to the blank: a finger needs more than the eye.
        <label className="-my-1.5 inline-block cursor-text py-1.5 align-baseline whitespace-nowrap max-sm:-my-2 max-sm:py-2">
            <input
                ref={box}
                inputMode="decimal"
                autoComplete="off"
                aria-label={label}
                aria-invalid={wrong !== undefined}
                title={wrong}
                className="figures border-b-2 border-brass bg-transparent px-1 text-center font-semibold text-brass outline-offset-4 placeholder:font-normal placeholder:text-soft aria-invalid:border-ink"
                style={{ width: `${Math.max(2, (shown === '' ? guessed : shown).length) + 1.5}ch` }}
                value={shown}
                placeholder={guessed === '' ? '–' : guessed}
                onChange={(event) => {
                    setWritten(event.target.value);
                    const next = typedNumber(event.target.value);
                    if (next !== null || event.target.value.trim() === '') onChange(next === null ? null : next * per);
                }}
                // What stands there is typed over, not typed on.
                onFocus={(event) => event.target.select()}
                onBlur={() => number !== null && setWritten(null)}
            />
            {wrong !== undefined && (
                <span role="alert" className="ml-1 border-l-[3px] border-ink pl-1.5 text-sm whitespace-normal">
                    {wrong}
                </span>
            )}
        </label>
    );
}
