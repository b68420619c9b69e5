import type { ReactNode } from 'react';

interface TickProps {
    checked: boolean;
    onChange: (checked: boolean) => void;
    className?: string;
    children: ReactNode;
}

/** A box to tick, with its words. */
export function Tick({ checked, onChange, className = '', children }: TickProps) {
    return (
        <label className={`flex items-center gap-1.5 ${className}`}>
            <input type="checkbox" className="accent-(--brass)" checked={checked} onChange={(event) => onChange(event.target.checked)} />
            {children}
        </label>
    );
}

interface TicksProps {
    words: readonly (readonly [word: string, text: string])[];
    chosen: readonly string[];
    onChange: (chosen: string[]) => void;
}

/** Any number of several words, in the order in which they were chosen. */
export function Ticks({ words, chosen, onChange }: TicksProps) {
    return words.map(([word, text]) => (
        <Tick
            key={word}
            checked={chosen.includes(word)}
            onChange={(on) => onChange(on ? [...chosen, word] : chosen.filter((each) => each !== word))}
        >
            {text}
        </Tick>
    ));
}
