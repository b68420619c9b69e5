import { useMemo, useState } from 'react';
import type { Schema } from '../../api/client';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { compare as compareWords } from '../../strings/compare';
import { digits, fNumber, length, magnification, mass, type Units } from '../../ui/figures';
import { Button } from '../../ui/Button';
import { Tick } from '../../ui/Tick';
import { drawn } from './asked';
import { micrometres } from './Frames';
import { aspect, shotOf, type Rig } from './shown';

const say = compareWords.compare;

interface Column {
    name: keyof typeof say.ladder;
    value: (rig: Rig) => number | string | null;
    tell: (value: number, units: Units) => string;
}

const columns: readonly Column[] = [
    { name: 'rig', value: (rig) => rig.name ?? rig.title, tell: String },
    { name: 'magnification', value: (rig) => rig.readings.magnification, tell: magnification },
    { name: 'fieldWidthMm', value: (rig) => rig.readings.fieldWidthMm, tell: length },
    { name: 'workingDistanceMm', value: (rig) => rig.readings.workingDistanceMm, tell: length },
    { name: 'effectiveAperture', value: (rig) => rig.readings.effectiveAperture, tell: fNumber },
    { name: 'depthOfFieldMm', value: (rig) => rig.readings.depthOfFieldMm, tell: length },
    { name: 'resolvedDetailMm', value: (rig) => rig.resolvedDetailMm, tell: micrometres },
    { name: 'pixelsLeft', value: (rig) => rig.pixelsLeft, tell: digits },
    { name: 'massG', value: (rig) => rig.readings.massG, tell: mass },
    { name: 'price', value: (rig) => rig.readings.price, tell: digits },
    { name: 'joints', value: (rig) => rig.readings.joints, tell: digits },
];

interface Props {
    rigs: readonly Rig[];
    target: Schema['TargetView'];
    units: Units;
    onBench: (id: number) => void;
    /** Lays the ticked ones side by side. */
    onOnly: (ids: number[]) => void;
}

/** More rigs than a drawing holds: the same figures in columns, sorted by any of them, a small frame each. */
export function Ladder({ rigs, target, units, onBench, onOnly }: Props) {
    const [by, setBy] = useState<{ name: Column['name']; down: boolean } | null>(null);
    const [ticked, setTicked] = useState<readonly number[]>([]);
    const sorted = useMemo(() => sortedBy(rigs, by), [rigs, by]);
    return (
        <>
            <p className="no-print flex flex-wrap items-center gap-3 py-2 text-sm">
                <span className="text-soft">{say.tooMany(drawn)}</span>
                <Button disabled={ticked.length < 2} onClick={() => onOnly([...ticked])}>
                    {say.onlyTicked(ticked.length)}
                </Button>
            </p>
            <div className="slim-scroll overflow-x-auto">
                <table className="text-sm" aria-label={say.ladderTitle}>
                    <thead>
                        <tr className="border-b border-ink align-bottom">
                            <td />
                            <td />
                            {columns.map(({ name }) => (
                                <th
                                    key={name}
                                    scope="col"
                                    aria-sort={by?.name === name ? (by.down ? 'descending' : 'ascending') : 'none'}
                                    className={`px-2 py-1 font-semibold ${name === 'rig' ? 'text-left' : 'text-right'}`}
                                >
                                    <button
                                        type="button"
                                        className="hover:underline"
                                        onClick={() => setBy({ name, down: by?.name === name ? !by.down : false })}
                                    >
                                        {say.ladder[name]}
                                        {by?.name === name && <span aria-hidden="true">{by.down ? ' ↓' : ' ↑'}</span>}
                                    </button>
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {sorted.map((rig) => (
                            <tr key={rig.id} className="border-b border-line">
                                <td className="py-1 pr-2">
                                    <Tick
                                        checked={ticked.includes(rig.id)}
                                        onChange={(on) =>
                                            setTicked(on ? [...ticked, rig.id].slice(-drawn) : ticked.filter((id) => id !== rig.id))
                                        }
                                        className="figures font-semibold"
                                    >
                                        {rig.letter}
                                    </Tick>
                                </td>
                                <td className="py-1">
                                    <Small rig={rig} target={target} />
                                </td>
                                <th scope="row" className="max-w-[260px] px-2 text-left font-normal">
                                    <button
                                        type="button"
                                        className="text-left hover:underline"
                                        title={say.toBench}
                                        onClick={() => onBench(rig.id)}
                                    >
                                        {rig.name ?? rig.title}
                                    </button>
                                    {!rig.met && <span className="block text-xs text-soft">{say.near}</span>}
                                </th>
                                {columns.slice(1).map(({ name, value, tell }) => {
                                    const told = value(rig);
                                    return (
                                        <td key={name} className="figures px-2 text-right whitespace-nowrap">
                                            {typeof told === 'number' ? tell(told, units) : '—'}
                                        </td>
                                    );
                                })}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </>
    );
}

function Small({ rig, target }: { rig: Rig; target: Schema['TargetView'] }) {
    const shot = useMemo(() => shotOf(rig, target), [rig, target]);
    return (
        <PictureCanvas
            shot={shot}
            width={72}
            height={Math.round(72 * aspect(rig))}
            label={say.frameOf(rig.letter, say.targets[target.kind] ?? '')}
            className="border border-ink"
        />
    );
}

/** What isn’t known comes last, whichever way it is sorted. */
export function sortedBy(rigs: readonly Rig[], by: { name: Column['name']; down: boolean } | null): Rig[] {
    const column = columns.find(({ name }) => name === by?.name);
    if (!by || !column) return [...rigs];
    const way = by.down ? -1 : 1;
    return [...rigs].sort((one, other) => {
        const [a, b] = [column.value(one), column.value(other)];
        if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1;
        return way * (typeof a === 'number' && typeof b === 'number' ? a - b : String(a).localeCompare(String(b), 'en', { numeric: true }));
    });
}
