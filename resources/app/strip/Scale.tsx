import { memo } from 'react';
import { strokes } from '../ui/strokes';
import { placeOn, reachOn, spreadOn, ticksOn, width, type Mark, type Reach, type Window } from './scale';

interface Props {
    window: Window;
    marks: readonly Mark[];
    /** One lies over the other, in the order of the marks. */
    reaches: readonly Reach[];
    /** Says a number of the scale. */
    tell: (value: number) => string;
    /** How much one of the units is that numbers are told in. */
    per?: number;
}

const bar = 6;

/** The line and its graduations: they stay while what stands on them moves. */
const Graduation = memo(function Graduation({
    from,
    to,
    line,
    tell,
    per,
}: Required<Pick<Props, 'tell' | 'per'>> & { from: number; to: number; line: number }) {
    const ticks = ticksOn([from, to], per);
    const places = (isLong: boolean) => ticks.filter(({ long }) => long === isLong).map(({ x }) => x);
    return (
        <>
            <path d={`M6 ${line}H${width - 6}`} stroke="var(--ink)" />
            <path d={strokes(places(false), line - 0.5, 4)} stroke="var(--soft)" strokeWidth={0.7} />
            <path d={strokes(places(true), line - 0.5, 7)} stroke="var(--ink)" />
            {ticks.map(
                ({ at, x, told }) =>
                    told && (
                        <text key={at} x={x} y={line + 16.5} fontSize={10} textAnchor="middle" fill="var(--soft)">
                            {tell(at)}
                        </text>
                    ),
            )}
        </>
    );
});

/** What one rig reaches: it stays while what stands on it moves. */
const ReachBar = memo(function ReachBar({ from, to, least, greatest, y, tell }: ReachBarProps) {
    const ends = reachOn([from, to], { least, greatest });
    if (!ends) return null;
    const { low, high } = ends;
    const wide = high - low > 64;
    return (
        <g>
            <rect x={low} y={y} width={Math.max(2, high - low)} height={bar} fill="var(--brass)" opacity={0.38} />
            {tell && least !== null && (
                <text x={wide ? low + 1 : low - 3} y={9} fontSize={10} textAnchor={wide ? 'start' : 'end'} fill="var(--brass)">
                    {tell(least)}
                </text>
            )}
            {tell && (
                <text x={wide ? high - 1 : high + 3} y={9} fontSize={10} textAnchor={wide ? 'end' : 'start'} fill="var(--brass)">
                    {greatest === null ? '∞' : tell(greatest)}
                </text>
            )}
        </g>
    );
});

interface ReachBarProps extends Reach {
    from: number;
    to: number;
    y: number;
    /** Says its ends over it; null = nothing does. */
    tell: ((value: number) => string) | null;
}

/** Where one rig stands. */
const MarkOn = memo(function MarkOn({ from, to, value, halfWidth = null, letter, y, alone }: MarkOnProps) {
    if (value === null || value <= 0) return null;
    const spread = spreadOn([from, to], { value, halfWidth });
    const x = placeOn([from, to])(value);
    return (
        <g transform={`translate(0 ${y})`}>
            {spread && (
                <path d={`M${spread.low} 12V18M${spread.low} 15H${spread.high}M${spread.high} 12V18`} stroke="var(--ink)" fill="none" />
            )}
            <path d={alone ? 'M0 5V24' : 'M0 11V19'} transform={`translate(${x} 0)`} stroke="var(--ink)" strokeWidth={2.4} />
            {letter !== undefined && (
                <text x={x + 4} y={19} fontSize={10} fontWeight={600} fill="var(--ink)">
                    {letter}
                </text>
            )}
        </g>
    );
});

interface MarkOnProps extends Mark {
    from: number;
    to: number;
    y: number;
    /** Whether nothing else stands on the scale. */
    alone: boolean;
}

/** A logarithmic scale with what each rig reaches and where it stands: one rig, or several on one scale. */
export function Scale({ window: [from, to], marks, reaches, tell, per = 1 }: Props) {
    const rows = Math.max(1, reaches.length);
    // One bar has what it reaches told over it; several have letters, and push the line down.
    const top = rows === 1 ? 12 : 3;
    // Letters stand clear of it.
    const line = top + (rows === 1 ? 6.5 : 9.5) + (rows - 1) * (bar + 2);
    return (
        <svg className="figures mt-0.5 block w-full overflow-visible" viewBox={`0 0 ${width} ${line + 19.5}`} aria-hidden="true">
            {reaches.map(({ least, greatest }, row) => (
                <ReachBar
                    key={row}
                    from={from}
                    to={to}
                    least={least}
                    greatest={greatest}
                    y={top + row * (bar + 2)}
                    tell={rows === 1 ? tell : null}
                />
            ))}
            <Graduation from={from} to={to} line={line} tell={tell} per={per} />
            {marks.map((mark, row) => (
                <MarkOn
                    key={mark.letter ?? row}
                    from={from}
                    to={to}
                    {...mark}
                    y={reaches.length > 1 ? row * (bar + 2) + top - 12 : 0}
                    alone={marks.length === 1}
                />
            ))}
        </svg>
    );
}
