import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { api, type ComparisonQuery, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { commonScale, rigOutline } from '../../drawing/rigOutline';
import { EngravedScale } from '../../strip/EngravedScale';
import { nearest, said, typedValue } from '../../strip/ownScale';
import { strings } from '../../strings/index';
import { compare as compareWords } from '../../strings/compare';
import { digits, fNumber, length, magnification, stops, type Units } from '../../ui/figures';
import { Menu, MenuItem } from '../../ui/Menu';
import { useOfRigs, useRig, useRow } from './inHand';
import type { Rig } from './shown';
import type { Hand } from './useHand';

const say = compareWords.compare;
const width = 572;
/** Few rigs have more room each, px. */
const heightFor = (count: number): number => (count <= 2 ? 150 : count <= 4 ? 116 : 88);
/** Where the plane of focus stands, px. */
const plane = width - 10;

interface Props {
    rigs: readonly Rig[];
    units: Units;
    query: ComparisonQuery;
    hand: Hand;
    /** Letter of the rig whose controls are out. */
    chosen: string;
    acts: Acts;
}

/** What can be done with a rig of the comparison. */
export interface Acts {
    choose: (letter: string) => void;
    drop: (id: number) => void;
    bench: (id: number) => void;
    release: (letter: string) => void;
}

/** Rigs under each other to one scale, their planes of focus in line: room and length are seen, not read. On a phone one beside the other. */
export function Aligned({ rigs, units, query, hand, chosen, acts }: Props) {
    const height = heightFor(rigs.length);
    const scale = useOfRigs((now) => commonScale(now, width, height, 1.6));
    return (
        <>
            <p className="pr-1 text-right text-xs text-madder">{say.plane}</p>
            <ol
                aria-label={say.planes}
                className="slim-scroll max-md:flex max-md:snap-x max-md:snap-mandatory max-md:gap-4 max-md:overflow-x-auto"
            >
                {rigs.map((rig) => (
                    <Row
                        key={rig.id}
                        rig={rig}
                        units={units}
                        scale={scale}
                        height={height}
                        isChosen={rig.letter === chosen}
                        query={query}
                        hand={hand}
                        acts={acts}
                    />
                ))}
            </ol>
            <Rule scale={scale} units={units} />
        </>
    );
}

interface RowProps {
    rig: Rig;
    units: Units;
    scale: number;
    height: number;
    isChosen: boolean;
    query: ComparisonQuery;
    hand: Hand;
    acts: Acts;
}

/** One rig. While a control of it is moved its figures, its picture and the control are drawn again; while one of another is, nothing is. */
const Row = memo(function Row({ rig, units, scale, height, isChosen, query, hand, acts }: RowProps) {
    return (
        <li
            aria-current={isChosen}
            className="group border-b border-line py-1.5 max-md:w-[86vw] max-md:shrink-0 max-md:snap-center max-md:border-r"
        >
            <p className="flex items-baseline gap-x-2">
                <button
                    type="button"
                    className={`flex min-w-0 items-baseline gap-2 text-left ${isChosen ? 'shadow-[inset_0_-2px_0_var(--brass)]' : ''}`}
                    aria-pressed={isChosen}
                    title={say.choosesControls(rig.letter)}
                    onClick={() => acts.choose(rig.letter)}
                >
                    <span className="figures text-lg leading-none font-semibold">{rig.letter}</span>
                    <span className="truncate text-sm font-semibold">{rig.name ?? rig.title}</span>
                </button>
                <span className="ml-auto flex shrink-0 items-baseline">
                    <InShort rig={rig} />
                    <span className="no-print">
                        <Menu label={<span aria-label={say.more(rig.letter)}>⋯</span>} align="end">
                            <MenuItem onSelect={() => acts.bench(rig.id)} note={say.toBenchNote}>
                                {say.toBench}
                            </MenuItem>
                            <MenuItem onSelect={() => acts.drop(rig.id)}>{say.drop(rig.letter)}</MenuItem>
                        </Menu>
                    </span>
                </span>
            </p>
            <p className="figures truncate text-xs text-brass" title={[rig.title, ...rig.settings].join(' · ')}>
                {[rig.cameraName, ...rig.settings].join(' · ')}
            </p>
            <Outline rig={rig} scale={scale} height={height} units={units} />
            <State rig={rig} units={units} onRelease={() => acts.release(rig.letter)} />
            {isChosen && <Controls rig={rig} units={units} query={query} hand={hand} />}
            <Adds rig={rig} units={units} />
        </li>
    );
});

function InShort({ rig: told }: { rig: Rig }) {
    const { readings } = useRig(told);
    return (
        <span className="figures text-sm whitespace-nowrap">
            {readings.magnification === null ? '—' : magnification(readings.magnification)}
            {readings.effectiveAperture !== null && ` · ${fNumber(readings.effectiveAperture)}`}
        </span>
    );
}

/** What stands under the drawing of a rig: whether it is where it was to be, and what stops or spoils it. */
function State({ rig: told, units, onRelease }: { rig: Rig; units: Units; onRelease: () => void }) {
    const rig = useRig(told);
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

/** The controls of the chosen rig: each is engraved as its part is, once its sweep is here. */
function Controls({ rig, units, query, hand }: Pick<RowProps, 'rig' | 'units' | 'query' | 'hand'>) {
    const row = useRow(rig);
    const [which, setWhich] = useState<string | null>(null);
    const control = rig.travels.find(({ name }) => name === which) ?? rig.travels[0];
    const sweep = useQuery({
        queryKey: keys.comparisonSweep(query, rig.id, control?.name ?? ''),
        queryFn: () => api.compareSweep(query, rig.id, control?.name ?? ''),
        enabled: control !== undefined,
        staleTime: Infinity,
        gcTime: 60_000,
        placeholderData: (before) => (before?.travel.name === control?.name ? before : undefined),
        retry: false,
    });
    if (!control) return <p className="text-xs text-soft">{say.nothingMoves}</p>;
    const nameOf = ({ index, kind }: Schema['ControlName']) => `${rig.drawn[index]?.label ?? ''} · ${strings.travel[kind] ?? kind}`;
    const told = sweep.data;
    const at = told ? (row ?? nearest(told.travel.positions, told.travel.value)) : 0;
    const value = told ? (row === null ? told.travel.value : (told.travel.positions[row] ?? told.travel.value)) : 0;
    return (
        <div className="no-print flex min-h-[62px] flex-wrap items-end gap-x-4">
            {rig.travels.length > 1 && (
                <label className="text-xs text-soft">
                    <span className="sr-only">{say.control(rig.letter)}</span>
                    <select
                        className="max-w-44 border-b border-line bg-transparent py-1 text-ink"
                        value={control.name}
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
            {told && (
                <div className="min-w-40 flex-1">
                    <EngravedScale
                        travel={told.travel}
                        label={nameOf(control)}
                        row={at}
                        said={said(told.travel, value, at, units)}
                        busy={sweep.isPlaceholderData}
                        onReach={nothing}
                        onTake={nothing}
                        onMove={(to) => !sweep.isPlaceholderData && hand.move(rig, told, to)}
                        onLeave={() => hand.leave(rig, told)}
                        onType={(text) => {
                            const wanted = typedValue(told.travel, text, units);
                            if (wanted === null) return false;
                            hand.type(rig, told, wanted);
                            return true;
                        }}
                    />
                </div>
            )}
        </div>
    );
}

const nothing = () => undefined;

function Adds({ rig: told, units }: { rig: Rig; units: Units }) {
    const rig = useRig(told);
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

function Outline({ rig: told, scale, height, units }: { rig: Rig; scale: number; height: number; units: Units }) {
    const rig = useRig(told);
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
