import { Link } from 'react-router';
import type { Schema } from '../../api/client';
import { commonScale, rigOutline } from '../../drawing/rigOutline';
import { strings } from '../../strings/index';
import { digits, fNumber, length, magnification, stops, type Units } from '../../ui/figures';
import { rulerLines } from './ruler';

type Rig = Schema['ComparedRigView'];

const say = strings.compare;
const width = 560;
const height = 84;

interface Props {
    rigs: readonly Rig[];
    units: Units;
    onDrop: (id: number) => void;
}

/** Rigs under each other to one scale, their planes of focus in line: room and length are seen, not read. */
export function Aligned({ rigs, units, onDrop }: Props) {
    const scale = commonScale(rigs, width, height);
    return (
        <ol aria-label={say.planes}>
            {rigs.map((rig) => (
                <li
                    key={rig.id}
                    className="grid items-center gap-x-5 border-b border-line py-2 md:grid-cols-[28px_minmax(0,1fr)_150px] lg:grid-cols-[28px_572px_150px_minmax(0,1fr)]"
                >
                    <span className="figures text-lg font-semibold">{rig.letter}</span>
                    <Outline rig={rig} scale={scale} units={units} />
                    <Frame rig={rig} units={units} />
                    <div className="min-w-0 text-sm max-lg:col-span-full">
                        <p className="flex flex-wrap items-baseline gap-x-2">
                            <Link
                                className="text-base font-semibold hover:underline"
                                to={`/bench/${rig.id}`}
                                title={`${say.onBench}: ${rig.name ?? rig.title}`}
                            >
                                {rig.name ?? rig.title}
                            </Link>
                            <button
                                type="button"
                                className="no-print px-1 text-soft hover:text-ink"
                                aria-label={say.drop(rig.letter)}
                                onClick={() => onDrop(rig.id)}
                            >
                                ×
                            </button>
                        </p>
                        {rig.name !== null && <p className="text-soft">{rig.title}</p>}
                        <p className="figures text-xs text-brass">{[rig.cameraName, ...rig.settings].join(' · ')}</p>
                        <p className="figures pt-0.5">
                            {rig.readings.magnification === null ? '—' : magnification(rig.readings.magnification)}
                            {rig.readings.effectiveAperture !== null && ` · ${fNumber(rig.readings.effectiveAperture)}`}
                            {rig.readings.depthOfFieldMm !== null && ` · ${length(rig.readings.depthOfFieldMm, units)}`}
                        </p>
                        {!rig.met && <p className="font-medium">{say.near}</p>}
                        {rig.cropToMm !== null && (
                            <p className="text-soft">
                                {say.cropped(length(rig.cropToMm, units), rig.pixelsLeft === null ? '—' : digits(rig.pixelsLeft))}
                            </p>
                        )}
                        {rig.adds.length > 0 && (
                            <details>
                                <summary className="cursor-pointer text-soft">{say.adds}</summary>
                                <ul className="figures text-xs">
                                    {rig.adds.map((each) => (
                                        <li key={each.index}>
                                            <span className="font-semibold">{each.name}</span>{' '}
                                            {signed(each.magnification, (m) => digits(m))}
                                            {'× · '}
                                            {say.room(signed(each.workingDistanceMm, (mm) => length(mm, units)))}
                                            {each.stops !== null && Math.abs(each.stops) >= 1 / 6 && ` · −${stops(each.stops)}`}
                                        </li>
                                    ))}
                                </ul>
                            </details>
                        )}
                        {rig.findings.map((finding) => (
                            <p key={finding} className="mt-1 border-l-[3px] border-ink pl-2 text-xs">
                                {finding}
                            </p>
                        ))}
                    </div>
                </li>
            ))}
        </ol>
    );
}

/** A difference, with its sign set as one. */
const signed = (value: number, tell: (value: number) => string) => (value < 0 ? '−' : '+') + tell(Math.abs(value));

function Outline({ rig, scale, units }: { rig: Rig; scale: number; units: Units }) {
    const plane = width - 8;
    const axis = height / 2;
    const { path, tipX, broken } = rigOutline(rig, scale, plane, axis);
    const room = rig.readings.workingDistanceMm;
    return (
        <svg viewBox={`0 0 ${width} ${height}`} className="block w-full max-w-[572px]" role="img" aria-label={rig.title}>
            <path d={path} fill="var(--plate)" stroke="var(--ink)" strokeWidth={1.3} strokeLinejoin="round" />
            <path d={`M${tipX} ${axis}H${plane}`} stroke="var(--soft)" strokeDasharray={broken ? '2 5' : '1 3'} />
            {rig.subjectDistanceMm !== null && <path d={`M${plane} 8V${height - 8}`} stroke="var(--madder)" strokeWidth={2} />}
            {room !== null && plane - tipX > 44 && (
                <text x={(tipX + plane) / 2} y={axis - 6} fontSize={11} textAnchor="middle" fill="var(--ink)" className="figures">
                    {length(room, units)}
                </text>
            )}
        </svg>
    );
}

/** The frame at one width, and in it a ruler that leans through the target’s depth, at its true scale and with its true blur. */
function Frame({ rig, units }: { rig: Rig; units: Units }) {
    const { fieldWidthMm: field, fieldHeightMm: high } = rig.readings;
    if (field === null || high === null) return <span className="figures text-sm text-soft">{strings.bench.infinity}</span>;
    const w = 150;
    const h = (w * high) / field;
    const unit = units === 'mm' ? 1 : 25.4;
    const step =
        ([0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].map((each) => each * unit).find((mm) => (mm / field) * w >= 14) ?? field) || field;
    const lines = rulerLines(rig.layers, rig.depthMm, field, step, w);
    const crop = rig.cropToMm === null ? null : rig.cropToMm / field;
    return (
        <figure>
            <svg width={w} height={h} role="img" aria-label={say.grid(length(step, units))} className="block bg-plate">
                <clipPath id={`frame-${rig.letter}`}>
                    <rect width={w} height={h} />
                </clipPath>
                <g clipPath={`url(#frame-${rig.letter})`}>
                    {lines.map((line) => (
                        <rect
                            key={line.x}
                            x={line.x - line.width / 2}
                            y={h * (line.long ? 0.2 : 0.38)}
                            width={line.width}
                            height={h}
                            fill="var(--ink)"
                            opacity={line.dark}
                        />
                    ))}
                </g>
                {crop !== null && (
                    <rect
                        x={(w * (1 - crop)) / 2}
                        y={(h * (1 - crop)) / 2}
                        width={w * crop}
                        height={h * crop}
                        fill="none"
                        stroke="var(--brass)"
                        strokeWidth={1.5}
                    />
                )}
                <rect x={0.75} y={0.75} width={w - 1.5} height={h - 1.5} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
            </svg>
            <figcaption className="figures text-xs text-soft">
                {strings.bench.frameNote(length(field, units))}, {say.lines(length(step, units))}
            </figcaption>
        </figure>
    );
}
