import { scaleLog } from 'd3-scale';
import { useState, type ReactNode } from 'react';

interface Props {
    name: string;
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
    /** Says a number of the scale. */
    tell: (value: number) => string;
    /** One of the two figures people look for. */
    focus?: boolean;
    /** Opens what the figure rests on. */
    doubt?: ReactNode;
    /** Told when the strip is pointed at or left. */
    onPoint?: (on: boolean) => void;
    /** What the other school says, on demand. */
    other?: { ask: string; told: string } | null;
}

const width = 372;
const decades = 3;
/** A factor of two is as wide on every strip. */
const perDecade = (width - 12) / decades;

/** A log window of three decades that holds the range and the mark, on thirds of decades so that it seldom moves. */
function windowOf(values: number[]): [number, number] {
    const logs = values.map(Math.log10);
    const low = Math.min(...logs);
    const high = Math.max(...logs);
    const middle = high - low > decades - 0.2 ? high - (decades - 0.1) / 2 : (low + high) / 2;
    const start = Math.round((middle - decades / 2) * 3) / 3;
    return [10 ** start, 10 ** (start + decades)];
}

/** An engraved strip: what it is now, and how far it can go. */
export function Strip({
    name,
    note,
    value,
    figure,
    unit,
    least,
    greatest,
    halfWidth = null,
    tell,
    focus = false,
    doubt,
    onPoint,
    other = null,
}: Props) {
    const [asked, setAsked] = useState(false);
    const finite = [value, least, greatest].filter((item): item is number => item !== null && item > 0 && Number.isFinite(item));
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
                <h3 className="text-sm font-semibold whitespace-nowrap">{name}</h3>
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
            {finite.length > 0 && <Scale values={finite} {...{ value, least, greatest, halfWidth, tell }} />}
        </section>
    );
}

interface ScaleProps {
    values: number[];
    value: number | null;
    least: number | null;
    greatest: number | null;
    halfWidth: number | null;
    tell: (value: number) => string;
}

function Scale({ values, value, least, greatest, halfWidth, tell }: ScaleProps) {
    const [from, to] = windowOf(values);
    const scale = scaleLog()
        .domain([from, to])
        .range([6, 6 + decades * perDecade]);
    const inside = (x: number) => Math.max(6, Math.min(width - 6, x));
    const place = (item: number) => inside(scale(Math.max(item, 1e-12)));
    const low = least !== null && least > 0 ? place(least) : least === 0 || least === null ? 6 : 6;
    const high = greatest !== null ? place(greatest) : width - 6;
    const hasRange = (least !== null || greatest !== null) && !(least !== null && greatest !== null && greatest < least * 1.0005);
    const ticks: { at: number; text: string | null }[] = [];
    for (let decade = Math.floor(Math.log10(from)); decade <= Math.ceil(Math.log10(to)); decade++) {
        for (let digit = 1; digit < 10; digit++) {
            const at = digit * 10 ** decade;
            if (at >= from * 0.999 && at <= to * 1.001)
                ticks.push({ at, text: digit === 1 || digit === 2 || digit === 5 ? tell(at) : null });
        }
    }
    const wide = high - low > 64;
    return (
        <svg className="figures mt-0.5 block w-full overflow-visible" viewBox={`0 0 ${width} 38`} aria-hidden="true">
            {hasRange && (
                <>
                    <rect x={low} y={12} width={Math.max(2, high - low)} height={6} fill="var(--brass)" opacity={0.38} />
                    {least !== null && (
                        <text x={wide ? low + 1 : low - 3} y={9} fontSize={10} textAnchor={wide ? 'start' : 'end'} fill="var(--brass)">
                            {tell(least)}
                        </text>
                    )}
                    {(greatest !== null || least !== null) && (
                        <text x={wide ? high - 1 : high + 3} y={9} fontSize={10} textAnchor={wide ? 'end' : 'start'} fill="var(--brass)">
                            {greatest === null ? '∞' : tell(greatest)}
                        </text>
                    )}
                </>
            )}
            <path d={`M6 18.5H${width - 6}`} stroke="var(--ink)" />
            {ticks.map(({ at, text }) => (
                <g key={at} transform={`translate(${scale(at)} 0)`}>
                    <path
                        d={`M0 18V${text === null ? 22 : 25}`}
                        stroke={text === null ? 'var(--soft)' : 'var(--ink)'}
                        strokeWidth={text === null ? 0.7 : 1}
                    />
                    {text !== null && scale(at) > 10 && scale(at) < width - 12 && (
                        <text y={35} fontSize={10} textAnchor="middle" fill="var(--soft)">
                            {text}
                        </text>
                    )}
                </g>
            ))}
            {value !== null && value > 0 && (
                <>
                    {halfWidth !== null &&
                        halfWidth > 0 &&
                        value > halfWidth &&
                        place(value + halfWidth) - place(value - halfWidth) > 4 && (
                            <path
                                d={`M${place(value - halfWidth)} 12V18M${place(value - halfWidth)} 15H${place(value + halfWidth)}M${place(value + halfWidth)} 12V18`}
                                stroke="var(--ink)"
                                fill="none"
                            />
                        )}
                    <path d={`M${place(value)} 5V24`} stroke="var(--ink)" strokeWidth={2.4} />
                </>
            )}
        </svg>
    );
}
