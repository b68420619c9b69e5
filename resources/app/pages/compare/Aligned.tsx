import { useState } from 'react';
import type { Schema, TravelView } from '../../api/client';
import { commonScale, rigOutline } from '../../drawing/rigOutline';
import { EngravedScale } from '../../strip/EngravedScale';
import { nearest, said, typedValue } from '../../strip/ownScale';
import { strings } from '../../strings/index';
import { digits, fNumber, length, magnification, stops, type Units } from '../../ui/figures';
import { Menu, MenuItem } from '../../ui/Menu';
import type { Held, Rig } from './shown';

const say = strings.compare;
const width = 572;
/** Few rigs have more room each, px. */
const heightFor = (count: number): number => (count <= 2 ? 150 : count <= 4 ? 116 : 88);
/** Where the plane of focus stands, px. */
const plane = width - 10;

export interface Hands {
    onReach: (rig: Rig, travel: TravelView) => void;
    onMove: (rig: Rig, travel: TravelView, row: number) => void;
    onLeave: (rig: Rig, travel: TravelView) => void;
    onType: (rig: Rig, travel: TravelView, value: number) => void;
}

interface Props extends Hands {
    rigs: readonly Rig[];
    units: Units;
    held: Held | null;
    /** Letter of the rig whose controls are out. */
    chosen: string;
    onChoose: (letter: string) => void;
    onDrop: (id: number) => void;
    onBench: (id: number) => void;
    onRelease: (letter: string) => void;
}

/** Rigs under each other to one scale, their planes of focus in line: room and length are seen, not read. On a phone one beside the other. */
export function Aligned({ rigs, units, held, chosen, onChoose, onDrop, onBench, onRelease, ...hands }: Props) {
    const height = heightFor(rigs.length);
    const scale = commonScale(rigs, width, height, 1.6);
    return (
        <>
            <p className="pr-1 text-right text-xs text-madder">{say.plane}</p>
            <ol
                aria-label={say.planes}
                className="slim-scroll max-md:flex max-md:snap-x max-md:snap-mandatory max-md:gap-4 max-md:overflow-x-auto"
            >
                {rigs.map((rig) => (
                    <li
                        key={rig.id}
                        aria-current={rig.letter === chosen}
                        className="group border-b border-line py-1.5 max-md:w-[86vw] max-md:shrink-0 max-md:snap-center max-md:border-r"
                    >
                        <p className="flex items-baseline gap-x-2">
                            <button
                                type="button"
                                className={`flex min-w-0 items-baseline gap-2 text-left ${rig.letter === chosen ? 'shadow-[inset_0_-2px_0_var(--brass)]' : ''}`}
                                aria-pressed={rig.letter === chosen}
                                title={say.choosesControls(rig.letter)}
                                onClick={() => onChoose(rig.letter)}
                            >
                                <span className="figures text-lg leading-none font-semibold">{rig.letter}</span>
                                <span className="truncate text-sm font-semibold">{rig.name ?? rig.title}</span>
                            </button>
                            <span className="ml-auto flex shrink-0 items-baseline">
                                <span className="figures text-sm whitespace-nowrap">
                                    {rig.readings.magnification === null ? '—' : magnification(rig.readings.magnification)}
                                    {rig.readings.effectiveAperture !== null && ` · ${fNumber(rig.readings.effectiveAperture)}`}
                                </span>
                                <span className="no-print">
                                    <Menu label={<span aria-label={say.more(rig.letter)}>⋯</span>} align="end">
                                        <MenuItem onSelect={() => onBench(rig.id)} note={say.toBenchNote}>
                                            {say.toBench}
                                        </MenuItem>
                                        <MenuItem onSelect={() => onDrop(rig.id)}>{say.drop(rig.letter)}</MenuItem>
                                    </Menu>
                                </span>
                            </span>
                        </p>
                        <p className="figures truncate text-xs text-brass" title={[rig.title, ...rig.settings].join(' · ')}>
                            {[rig.cameraName, ...rig.settings].join(' · ')}
                        </p>
                        <Outline rig={rig} scale={scale} height={height} units={units} />
                        <State rig={rig} units={units} onRelease={() => onRelease(rig.letter)} />
                        {rig.letter === chosen && <Controls rig={rig} held={held?.id === rig.id ? held : null} units={units} {...hands} />}
                        <Adds rig={rig} units={units} />
                    </li>
                ))}
            </ol>
            <Rule scale={scale} units={units} />
        </>
    );
}

/** What stands under the drawing of a rig: whether it is where it was to be, and what stops or spoils it. */
function State({ rig, units, onRelease }: { rig: Rig; units: Units; onRelease: () => void }) {
    return (
        <div className="text-sm">
            {!rig.met && <p className="font-medium">{rig.byHand.length > 0 ? say.elsewhere : say.near}</p>}
            {rig.cropToMm !== null && (
                <p className="text-soft">
                    {say.cropped(length(rig.cropToMm, units), rig.pixelsLeft === null ? '—' : digits(rig.pixelsLeft))}
                </p>
            )}
            {rig.byHand.length > 0 && (
                <p className="text-soft">
                    {say.byHand}{' '}
                    <button type="button" className="no-print text-beam underline underline-offset-2" onClick={onRelease}>
                        {say.release}
                    </button>
                </p>
            )}
            {rig.findings.map((finding) => (
                <p key={finding} className="mt-0.5 border-l-[3px] border-ink pl-2 text-xs">
                    {finding}
                </p>
            ))}
        </div>
    );
}

function Controls({ rig, held, units, onReach, onMove, onLeave, onType }: { rig: Rig; held: Held | null; units: Units } & Hands) {
    const [which, setWhich] = useState<string | null>(null);
    const travel = rig.travels.find(({ name }) => name === which) ?? rig.travels[0];
    if (!travel) return <p className="text-xs text-soft">{say.nothingMoves}</p>;
    const nameOf = (each: TravelView) => `${rig.drawn[each.index]?.label ?? ''} · ${strings.travel[each.kind] ?? each.kind}`;
    const row = held?.travel === travel.name ? held.row : nearest(travel.positions, travel.value);
    const value = held?.travel === travel.name ? (travel.positions[row] ?? travel.value) : travel.value;
    return (
        <div className="no-print flex flex-wrap items-end gap-x-4">
            {rig.travels.length > 1 && (
                <label className="text-xs text-soft">
                    <span className="sr-only">{say.control(rig.letter)}</span>
                    <select
                        className="max-w-44 border-b border-line bg-transparent py-1 text-ink"
                        value={travel.name}
                        onChange={(event) => setWhich(event.target.value)}
                    >
                        {rig.travels.map((each) => (
                            <option key={each.name} value={each.name}>
                                {nameOf(each)}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            <div className="min-w-40 flex-1">
                <EngravedScale
                    travel={travel}
                    label={nameOf(travel)}
                    row={row}
                    said={said(travel, value, row, units)}
                    busy={held?.travel === travel.name && held.sweep === null}
                    onReach={() => onReach(rig, travel)}
                    onTake={() => onReach(rig, travel)}
                    onMove={(to) => onMove(rig, travel, to)}
                    onLeave={() => onLeave(rig, travel)}
                    onType={(text) => {
                        const wanted = typedValue(travel, text, units);
                        if (wanted === null) return false;
                        onType(rig, travel, wanted);
                        return true;
                    }}
                />
            </div>
        </div>
    );
}

function Adds({ rig, units }: { rig: Rig; units: Units }) {
    if (rig.adds.length === 0) return null;
    return (
        <details className="text-sm">
            <summary className="cursor-pointer text-soft">{say.adds}</summary>
            <ul className="figures text-xs">
                {rig.adds.map((each: Schema['PartAdds']) => (
                    <li key={each.index}>
                        <span className="font-semibold">{each.name}</span> {signed(each.magnification, (m) => digits(m))}
                        {'× · '}
                        {say.room(signed(each.workingDistanceMm, (mm) => length(mm, units)))}
                        {each.stops !== null && Math.abs(each.stops) >= 1 / 6 && ` · −${stops(each.stops)}`}
                    </li>
                ))}
            </ul>
        </details>
    );
}

/** A difference, with its sign set as one. */
const signed = (value: number, tell: (value: number) => string) => (value < 0 ? '−' : '+') + tell(Math.abs(value));

function Outline({ rig, scale, height, units }: { rig: Rig; scale: number; height: number; units: Units }) {
    const axis = height / 2;
    const { path, tipX, broken } = rigOutline(rig, scale, plane, axis);
    const room = rig.readings.workingDistanceMm;
    return (
        <svg viewBox={`0 0 ${width} ${height}`} className="block w-full max-w-[572px]" role="img" aria-label={rig.title}>
            <path d={path} fill="var(--plate)" stroke="var(--ink)" strokeWidth={1.3} strokeLinejoin="round" />
            <path d={`M${tipX} ${axis}H${plane}`} stroke="var(--soft)" strokeDasharray={broken ? '2 5' : '1 3'} />
            {rig.subjectDistanceMm !== null && <path d={`M${plane} 0V${height}`} stroke="var(--madder)" strokeWidth={2} />}
            {room !== null && plane - tipX > 44 && (
                <text x={(tipX + plane) / 2} y={axis - 6} fontSize={11} textAnchor="middle" fill="var(--ink)" className="figures">
                    {length(room, units)}
                </text>
            )}
        </svg>
    );
}

/** One rule for all, from the plane of focus back. */
function Rule({ scale, units }: { scale: number; units: Units }) {
    const unit = units === 'mm' ? 1 : 25.4;
    const step = ([1, 2, 5, 10, 20, 50, 100, 200].map((each) => each * unit).find((mm) => mm * scale >= 44) ?? 200) * 1;
    const count = Math.floor(plane / (step * scale));
    return (
        <figure className="max-md:hidden">
            <svg viewBox={`0 0 ${width} 30`} className="figures block w-full max-w-[572px]" aria-hidden="true">
                <path d={`M0 6H${plane}`} stroke="var(--ink)" />
                {Array.from({ length: count + 1 }, (_, n) => (
                    <g key={n} transform={`translate(${plane - n * step * scale} 6)`}>
                        <path d="M0 0V7" stroke="var(--ink)" />
                        <text y={20} fontSize={10} textAnchor={n === 0 ? 'end' : 'middle'} fill="var(--soft)">
                            {digits((n * step) / unit)}
                        </text>
                    </g>
                ))}
            </svg>
            <figcaption className="text-xs text-soft">{say.rule(units)}</figcaption>
        </figure>
    );
}
