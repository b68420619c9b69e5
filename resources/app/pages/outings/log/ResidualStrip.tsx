import type { Schema } from '../../../api/client';
import { usePreferences } from '../../../shell/preferences';
import { log as logWords } from '../../../strings/log';
import { dateWords } from '../day';
import { figureTold, type Figure } from './told';

const say = logWords.log;

const [wide, high, left] = [1200, 220, 56];

/** Steps that the scale may have, as shares. */
const steps = [0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1];

/** Each measured figure: by how much it was said too large or too small, and how far off it was said it might be. */
export function ResidualStrip({ points, figure }: { points: readonly Schema['LedgerPoint'][]; figure: Figure }) {
    const { units } = usePreferences();
    // The oldest on the left.
    const shown = [...points].reverse().map((point) => ({
        ...point,
        off: point.predicted / point.measured - 1,
        half: point.halfWidth === null ? 0 : point.halfWidth / point.measured,
    }));
    const most = Math.max(0.01, ...shown.map(({ off, half }) => Math.abs(off) + half)) * 1.08;
    const step = steps.find((each) => most / each <= 4) ?? 1;
    const y = (off: number) => high / 2 - (Math.max(-most, Math.min(most, off)) / most) * (high / 2 - 14);
    const x = (n: number) => left + 24 + ((wide - left - 48) * (n + 0.5)) / shown.length;
    const ticks = Array.from({ length: 2 * Math.floor(most / step) + 1 }, (_, n) => (n - Math.floor(most / step)) * step);
    return (
        <>
            <div className="slim-scroll overflow-x-auto">
                <svg viewBox={`0 0 ${wide} ${high}`} className="block w-full min-w-[640px]" aria-hidden>
                    {ticks.map((tick) => (
                        <g key={tick}>
                            <path d={`M${left} ${y(tick)}H${wide}`} stroke={tick === 0 ? 'var(--ink)' : 'var(--line)'} />
                            <text x={left - 8} y={y(tick) + 4} textAnchor="end" fontSize={12} className="figures" fill="var(--ink)">
                                {tick === 0 ? '0' : `${tick > 0 ? '+' : '−'}${Number((Math.abs(tick) * 100).toFixed(1))} %`}
                            </text>
                        </g>
                    ))}
                    {shown.map((point, n) => (
                        <g key={point.entry}>
                            {point.half > 0 && (
                                <path
                                    d={`M${x(n)} ${y(point.off - point.half)}V${y(point.off + point.half)}M${x(n) - 5} ${y(point.off - point.half)}h10M${x(n) - 5} ${y(point.off + point.half)}h10`}
                                    stroke="var(--soft)"
                                />
                            )}
                            {point.inside === false ? (
                                <path
                                    d={`M${x(n)} ${y(point.off) - 7}l7 7l-7 7l-7 -7z`}
                                    fill="var(--plate)"
                                    stroke="var(--ink)"
                                    strokeWidth={2}
                                />
                            ) : (
                                <circle cx={x(n)} cy={y(point.off)} r={5} fill="var(--verdigris)" />
                            )}
                        </g>
                    ))}
                </svg>
            </div>
            <p className="flex flex-wrap gap-x-5 pb-3 text-xs text-soft">
                <span>
                    <span className="text-verdigris">●</span> {say.keyInside}
                </span>
                <span>◇ {say.keyOutside}</span>
                <span>0: {say.right}</span>
                <span>+: {say.above}</span>
                <span>−: {say.below}</span>
            </p>
            <ol className="columns-1 gap-8 text-sm lg:columns-2">
                {points.map((point) => (
                    <li key={point.entry} className="break-inside-avoid border-b border-line py-1">
                        {say.pointIn(
                            point.subject ?? point.lenses.join(' + '),
                            dateWords(point.day),
                            figureTold(figure, point.measured, null, units),
                            figureTold(figure, point.predicted, null, units),
                        )}
                        {point.inside === false && <span className="font-semibold"> · {say.outside}</span>}
                    </li>
                ))}
            </ol>
        </>
    );
}
