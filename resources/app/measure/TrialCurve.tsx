import type { Schema } from '../api/client';
import { pictures as picturesWords } from '../strings/pictures';
import { digits, fNumber } from '../ui/figures';

const say = picturesWords.trial;
const [width, height, left, low, top] = [640, 220, 52, 34, 14];

/** A trial as a curve: what was measured at each stop with its half-width, against what diffraction and pixels allow. */
export function TrialCurve({ trial }: { trial: Schema['TrialView'] }) {
    const { stops } = trial;
    const first = stops[0]?.aperture ?? 1;
    const last = stops[stops.length - 1]?.aperture ?? 2;
    const most = Math.max(...stops.map((stop) => Math.max(stop.allowed, stop.mtf50 + (stop.halfWidth ?? 0)))) * 1.08;
    const x = (aperture: number) =>
        left + 14 + (last > first ? Math.log(aperture / first) / Math.log(last / first) : 0.5) * (width - left - 34);
    const y = (mtf: number) => height - low - (mtf / most) * (height - low - top);
    const way = (of: (stop: Schema['TriedStopView']) => number) =>
        stops.map((stop, n) => `${n === 0 ? 'M' : 'L'}${x(stop.aperture).toFixed(1)} ${y(of(stop)).toFixed(1)}`).join('');
    const step = most > 0.4 ? 0.1 : most > 0.16 ? 0.05 : 0.02;
    const marks = Array.from({ length: Math.floor(most / step) + 1 }, (_, n) => n * step);
    return (
        <figure>
            <figcaption className="text-xs text-soft">{say.curve}</figcaption>
            <svg viewBox={`0 0 ${width} ${height}`} className="w-full" role="img" aria-label={say.curve}>
                {marks.map((mark) => (
                    <g key={mark}>
                        <line x1={left} x2={width - 8} y1={y(mark)} y2={y(mark)} className="stroke-line" />
                        <text x={left - 6} y={y(mark) + 4} textAnchor="end" className="figures fill-soft text-[12px]">
                            {digits(mark)}
                        </text>
                    </g>
                ))}
                <path d={way((stop) => stop.allowed)} className="fill-none stroke-beam" strokeWidth={1.5} strokeDasharray="6 4" />
                <path d={way((stop) => stop.mtf50)} className="fill-none stroke-ink" strokeWidth={2} />
                {stops.map((stop) => {
                    const isAsSharp = trial.asSharp.includes(stop.aperture);
                    const half = stop.halfWidth ?? 0;
                    return (
                        <g key={stop.aperture}>
                            <line
                                x1={x(stop.aperture)}
                                x2={x(stop.aperture)}
                                y1={y(stop.mtf50 + half)}
                                y2={y(Math.max(0, stop.mtf50 - half))}
                                className="stroke-ink"
                                strokeWidth={1.5}
                            />
                            <rect
                                x={x(stop.aperture) - 5}
                                y={y(stop.mtf50) - 5}
                                width={10}
                                height={10}
                                className={isAsSharp ? 'fill-verdigris stroke-verdigris' : 'fill-plate stroke-ink'}
                                strokeWidth={2}
                            />
                            <text
                                x={x(stop.aperture)}
                                y={height - 12}
                                textAnchor="middle"
                                className={`figures text-[12px] ${isAsSharp ? 'fill-verdigris font-semibold' : 'fill-ink'}`}
                            >
                                {fNumber(stop.aperture)}
                            </text>
                        </g>
                    );
                })}
                <g className="text-[12px]">
                    <line
                        x1={width - 250}
                        x2={width - 226}
                        y1={top}
                        y2={top}
                        className="stroke-beam"
                        strokeWidth={1.5}
                        strokeDasharray="6 4"
                    />
                    <text x={width - 220} y={top + 4} className="fill-soft">
                        {say.allowed}
                    </text>
                </g>
            </svg>
        </figure>
    );
}
