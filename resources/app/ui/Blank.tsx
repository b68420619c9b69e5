import { useId, useState } from 'react';
import { reasonOf } from '../api/client';
import { digits } from './figures';
import { typedNumber } from './typed';

interface Props {
    label: string;
    value: number | null;
    /** Told when it is left or Enter is pressed, and only if it says something else by then; null = emptied. Refused, it says why. */
    onSet: (value: number | null) => Promise<unknown>;
    /** What may stand in it, where the server would say it in other units. */
    range?: string;
    /** How it is said; the digits that count unless given. */
    tell?: (value: number) => string;
}

const plain = (value: number) => digits(value).replaceAll(',', '');

/** A blank of a sentence that is filled in and then sent: once, when it is left. Escape leaves it as it was. */
export function Blank({ label, value, onSet, range, tell = plain }: Props) {
    const id = useId();
    const [text, setText] = useState<string | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const kept = value === null ? '' : tell(value);
    const shown = text ?? kept;
    const send = () => {
        if (text === null || text.trim() === kept) {
            setText(null);
            return;
        }
        const number = typedNumber(text);
        if (number === null && text.trim() !== '') {
            setTrouble('a number, please');
            return;
        }
        onSet(number)
            .then(() => {
                setText(null);
                setTrouble(null);
            })
            .catch((error: unknown) => setTrouble(range ?? reasonOf(error)));
    };
    return (
        <span className="whitespace-nowrap">
            <input
                inputMode="decimal"
                autoComplete="off"
                aria-label={label}
                aria-invalid={trouble !== null}
                aria-describedby={trouble === null ? undefined : id}
                className="figures border-b-2 border-brass bg-transparent px-1 text-center text-brass outline-offset-4 aria-invalid:border-ink"
                style={{ width: `${Math.max(2, shown.length) + 1}ch` }}
                value={shown}
                placeholder="–"
                onChange={(event) => setText(event.target.value)}
                onBlur={send}
                onKeyDown={(event) => {
                    event.stopPropagation();
                    if (event.key === 'Enter') send();
                    if (event.key === 'Escape') {
                        setText(null);
                        setTrouble(null);
                    }
                }}
            />
            {trouble !== null && (
                <span id={id} role="alert" className="ml-2 border-l-[3px] border-ink pl-1.5 text-sm">
                    {trouble}
                </span>
            )}
        </span>
    );
}
