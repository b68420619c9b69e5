import { memo } from 'react';
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
    return (
        <>
            <path d={`M6 ${line}H${width - 6}`} stroke="var(--ink)" />
            {ticksOn([from, to], per).map(({ at, x, long, told }) => (
                <g key={at} transform={`translate(${x} ${line - 18.5})`}>
                    <path d={`M0 18V${long ? 25 : 22}`} stroke={long ? 'var(--ink)' : 'var(--soft)'} strokeWidth={long ? 1 : 0.7} />
                    {told && (
                        <text y={35} fontSize={10} textAnchor="middle" fill="var(--soft)">
                            {tell(at)}
                        </text>
                    )}
                </g>
            ))}
        </>
    );
});

/** A logarithmic scale with what each rig reaches and where it stands: one rig, or several on one scale. */
export function Scale({ window, marks, reaches, tell, per = 1 }: Props) {
    const place = placeOn(window);
    const rows = Math.max(1, reaches.length);
    // One bar has what it reaches told over it; several have letters, and push the line down.
    const top = rows === 1 ? 12 : 3;
    const line = top + 6.5 + (rows - 1) * (bar + 2);
    return (
        <svg className="figures mt-0.5 block w-full overflow-visible" viewBox={`0 0 ${width} ${line + 19.5}`} aria-hidden="true">
            {reaches.map((reach, row) => {
                const ends = reachOn(window, reach);
                if (!ends) return null;
                const { low, high } = ends;
                const wide = high - low > 64;
                const y = top + row * (bar + 2);
                return (
                    <g key={row}>
                        <rect x={low} y={y} width={Math.max(2, high - low)} height={bar} fill="var(--brass)" opacity={0.38} />
                        {rows === 1 && reach.least !== null && (
                            <text x={wide ? low + 1 : low - 3} y={9} fontSize={10} textAnchor={wide ? 'start' : 'end'} fill="var(--brass)">
                                {tell(reach.least)}
                            </text>
                        )}
                        {rows === 1 && (
                            <text
                                x={wide ? high - 1 : high + 3}
                                y={9}
                                fontSize={10}
                                textAnchor={wide ? 'end' : 'start'}
                                fill="var(--brass)"
                            >
                                {reach.greatest === null ? '∞' : tell(reach.greatest)}
                            </text>
                        )}
                    </g>
                );
            })}
            <Graduation from={window[0]} to={window[1]} line={line} tell={tell} per={per} />
            {marks.map((mark, row) => {
                if (mark.value === null || mark.value <= 0) return null;
                const spread = spreadOn(window, mark);
                const y = reaches.length > 1 ? row * (bar + 2) + top - 12 : 0;
                const x = place(mark.value);
                return (
                    <g key={mark.letter ?? row} transform={`translate(0 ${y})`}>
                        {spread && (
                            <path
                                d={`M${spread.low} 12V18M${spread.low} 15H${spread.high}M${spread.high} 12V18`}
                                stroke="var(--ink)"
                                fill="none"
                            />
                        )}
                        <path
                            d={marks.length > 1 ? 'M0 11V19' : 'M0 5V24'}
                            transform={`translate(${x} 0)`}
                            stroke="var(--ink)"
                            strokeWidth={2.4}
                        />
                        {mark.letter !== undefined && (
                            <text x={x + 4} y={19} fontSize={10} fontWeight={600} fill="var(--ink)">
                                {mark.letter}
                            </text>
                        )}
                    </g>
                );
            })}
        </svg>
    );
}
