import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type RigView, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { digits, fNumber, length, magnification, mass, stops, type Units } from '../../ui/figures';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Dialog } from '../../ui/Dialog';

const say = strings.states;

/** Two saved states of one rig side by side, in numbers. */
export function StatesDialog({ rig, units, onClose }: { rig: RigView; units: Units; onClose: () => void }) {
    const states = useQuery({ queryKey: keys.states(rig), queryFn: () => api.states(rig.id) });
    const [one, setOne] = useState<number | null>(null);
    const [other, setOther] = useState<number | null>(null);
    const list = states.data ?? [];
    const first = one ?? list[Math.min(1, list.length - 1)]?.number ?? null;
    const second = other ?? list[0]?.number ?? null;
    const state = (number: number | null) => ({
        queryKey: keys.state(rig, number),
        queryFn: () => api.state(rig.id, number ?? 0),
        enabled: number !== null,
    });
    const a = useQuery(state(first)).data;
    const b = useQuery(state(second)).data;
    const mm = (value: number) => length(value, units);
    const rows: [string, keyof Schema['Readings'], (value: number) => string][] = [
        [strings.readings.magnification, 'magnification', magnification],
        [strings.readings.workingDistance, 'workingDistanceMm', mm],
        [say.subjectDistance, 'subjectDistanceMm', mm],
        [strings.readings.field, 'fieldWidthMm', mm],
        [strings.readings.effectiveAperture, 'effectiveAperture', fNumber],
        [say.stopsLost, 'stopsLost', stops],
        [strings.readings.slice, 'depthOfFieldMm', mm],
        [strings.readings.detail, 'detailMm', (value) => `${digits(value * 1000)} µm`],
        [say.lightGap, 'lightGapDeg', (value) => `${Math.round(value)}°`],
        [say.corner, 'cornerBrightness', (value) => `${Math.round(value * 100)} %`],
        [kitWords.kit.columns.massG, 'massG', mass],
    ];
    const told = (view: Schema['StateView'] | undefined, key: keyof Schema['Readings'], tell: (value: number) => string) => {
        const value = view?.readings[key];
        return typeof value === 'number' ? tell(value) : '—';
    };
    const select = (label: string, value: number | null, set: (number: number) => void) => (
        <select
            aria-label={label}
            value={value ?? ''}
            onChange={(event) => set(Number(event.target.value))}
            className="w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm"
        >
            {list.map((each) => (
                <option key={each.number} value={each.number}>
                    {each.number}: {each.label}
                </option>
            ))}
        </select>
    );
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            <table className="w-full table-fixed text-sm">
                <thead>
                    <tr>
                        <th className="w-[30%]">
                            <span className="sr-only">{say.reading}</span>
                        </th>
                        <th className="pr-3 font-normal">{select(say.one, first, setOne)}</th>
                        <th className="font-normal">{select(say.other, second, setOther)}</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map(([label, key, tell]) => {
                        const left = told(a, key, tell);
                        const right = told(b, key, tell);
                        return (
                            <tr key={key} className="border-t border-line">
                                <th scope="row" className="py-1 text-left font-normal text-soft">
                                    {label}
                                </th>
                                <td className="figures pr-3 text-right">{left}</td>
                                <td className={`figures text-right ${left === right ? '' : 'font-semibold text-brass'}`}>{right}</td>
                            </tr>
                        );
                    })}
                    <tr className="border-t-2 border-ink align-top">
                        <th scope="row" className="py-1 text-left font-normal text-soft">
                            {say.parts}
                        </th>
                        {[a, b].map((view, at) => (
                            <td key={at} className="py-1 pr-3 text-xs">
                                {view?.parts.map((part, i) => (
                                    <span
                                        key={i}
                                        className={`block ${at === 1 && !a?.parts.includes(part) ? 'font-semibold text-brass' : ''}`}
                                    >
                                        {part}
                                    </span>
                                ))}
                            </td>
                        ))}
                    </tr>
                </tbody>
            </table>
        </Dialog>
    );
}
