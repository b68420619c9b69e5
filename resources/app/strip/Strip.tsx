import { useState, type ReactNode } from 'react';
import { Scale } from './Scale';
import { standing, windowOf, type Window } from './scale';

interface Props {
    name: string;
    /** The name as it stands, where it can be asked. */
    title?: ReactNode;
    /** What is said beside the name. */
    note?: ReactNode;
    value: number | null;
    /** The figure and its unit. */
    figure: string;
    unit: string;
    /** What this rig reaches. */
    least: number | null;
    greatest: number | null;
    halfWidth?: number | null;
    /** The scale to stand on, where strips are laid under each other; else its own. */
    window?: Window;
    /** Says a number of the scale. */
    tell: (value: number) => string;
    /** How much one of the units is that its numbers are told in: 25.4 for mm in inches. */
    per?: number;
    /** One of the two figures people look for. */
    focus?: boolean;
    /** Opens what the figure rests on. */
    doubt?: ReactNode;
    /** Told when the strip is pointed at or left. */
    onPoint?: (on: boolean) => void;
    /** What is concluded from it, in a line of its own. */
    below?: string;
    /** What the other school says, on demand. */
    other?: { ask: string; told: string } | null;
}

/** An engraved strip: what it is now, and how far it can go. */
export function Strip({
    name,
    title = name,
    note,
    value,
    figure,
    unit,
    least,
    greatest,
    halfWidth = null,
    window,
    tell,
    per = 1,
    focus = false,
    doubt,
    onPoint,
    below,
    other = null,
}: Props) {
    const [asked, setAsked] = useState(false);
    const marks = [{ value, halfWidth }];
    const reaches = [{ least, greatest }];
    const finite = standing(marks, reaches);
    return (
        <section
            className="border-b border-line py-1.5 focus-visible:outline-2"
            aria-label={name}
            {...(onPoint && {
                tabIndex: 0,
                onMouseEnter: () => onPoint(true),
                onMouseLeave: () => onPoint(false),
                onFocus: () => onPoint(true),
                onBlur: () => onPoint(false),
            })}
        >
            <div className="flex items-baseline gap-2">
                <h3 className="text-sm font-semibold whitespace-nowrap">{title}</h3>
                <span className="text-xs text-soft">{note}</span>
                <p className="ml-auto flex items-baseline gap-1 whitespace-nowrap">
                    <span data-figure className={`figures ${focus ? 'text-xl font-medium' : 'text-lg'}`}>
                        {figure}
                    </span>
                    <span className="text-xs text-soft">{unit}</span>
                    {doubt}
                </p>
            </div>
            {other && (
                <p className="text-xs">
                    <button
                        type="button"
                        aria-expanded={asked}
                        className="text-soft underline underline-offset-2 hover:text-ink"
                        onClick={() => setAsked(!asked)}
                    >
                        {other.ask}
                    </button>
                    {asked && <span className="figures ml-2">{other.told}</span>}
                </p>
            )}
            {finite.length > 0 && <Scale window={window ?? windowOf(finite)} marks={marks} reaches={reaches} tell={tell} per={per} />}
            {below !== undefined && below !== '' && <p className="pt-1 text-sm">{below}</p>}
        </section>
    );
}
