import { useState } from 'react';
import { strings } from '../strings/index';

interface Props {
    label: string;
    said: string;
    /** Takes what was typed; says whether it meant anything. */
    onType: (text: string) => boolean;
}

/** A setting in words; a press turns it into a blank. */
export function TypedValue({ label, said, onType }: Props) {
    const [text, setText] = useState<string | null>(null);
    const [wrong, setWrong] = useState(false);
    if (text === null) {
        return (
            <button
                type="button"
                aria-label={strings.bench.typeValue(label, said)}
                className="figures whitespace-nowrap text-brass hover:underline"
                onClick={() => setText(said.replace(/\s.*$/, ''))}
            >
                {said}
            </button>
        );
    }
    const done = () => {
        if (onType(text)) {
            setText(null);
            setWrong(false);
        } else setWrong(true);
    };
    return (
        <input
            autoFocus
            value={text}
            aria-label={label}
            aria-invalid={wrong}
            onFocus={(event) => event.target.select()}
            onChange={(event) => setText(event.target.value)}
            onBlur={() => setText(null)}
            onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Enter') done();
                if (event.key === 'Escape') setText(null);
            }}
            className={`figures w-20 border-b-2 bg-plate px-1 text-right text-brass outline-none ${wrong ? 'border-madder' : 'border-brass'}`}
        />
    );
}
