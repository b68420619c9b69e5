import { extent } from 'd3-array';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type RigView, type SweepView, type TravelView } from '../../api/client';
import { keys } from '../../api/queries';
import { digits, fNumber, lengthDigits, type Units } from '../../ui/figures';
import { strings } from '../../strings/index';
import { Dialog } from '../../ui/Dialog';
import type { ReadingName } from '../../rig/displayedReadings';
import { said } from '../../strip/ownScale';

const say = strings.charts;
const width = 316;
const height = 132;
const left = 44;
const bottom = 22;

/** Curves that people use: what a draw does, and what an aperture does, with the present position and the best stop marked. */
export function ChartsDialog({ rig, units, onClose }: { rig: RigView; units: Units; onClose: () => void }) {
    const moving = rig.travels.filter((travel) => travel.kind === 'length' || travel.kind === 'focus');
    const aperture = rig.travels.find((travel) => travel.kind === 'aperture');
    const [chosen, setChosen] = useState(moving[0]?.name ?? '');
    const travels = [moving.find((travel) => travel.name === chosen), aperture].filter((travel) => travel !== undefined);
    const sweeps = useQueries({
        queries: travels.map((travel) => ({
            queryKey: keys.sweep(rig.id, rig.revision, travel.name),
            queryFn: () => api.sweep(rig.id, travel.name),
            staleTime: Infinity,
        })),
    });
    const of = (name: string | undefined) => sweeps.find((each) => each.data?.travel === name)?.data;
    const draw = moving.find((travel) => travel.name === chosen);
    const drawSweep = of(draw?.name);
    const stopSweep = of(aperture?.name);
    const mm = (value: number) => lengthDigits(value, units);
    const ofDraw: Reading[] = [
        { title: strings.readings.magnification, unit: '×', name: 'magnification', tell: digits },
        { title: strings.readings.workingDistance, unit: units, name: 'workingDistanceMm', tell: mm },
        { title: strings.readings.effectiveAperture, unit: '', name: 'effectiveAperture', tell: fNumber },
    ];
    const ofStops: Reading[] = [
        { title: strings.readings.slice, unit: units, name: 'depthOfFieldMm', tell: mm },
        { title: strings.readings.detail, unit: 'µm', name: 'detailMm', tell: (value) => digits(value * 1000) },
    ];
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            {moving.length > 1 && (
                <label className="flex items-center gap-2 pb-2 text-sm">
                    {say.over}
                    <select
                        value={chosen}
                        onChange={(event) => setChosen(event.target.value)}
                        className="border-b-2 border-brass bg-ground px-1.5 py-1"
                    >
                        {moving.map((travel) => (
                            <option key={travel.name} value={travel.name}>
                                {rig.chain[travel.index]?.name} · {strings.travel[travel.kind]}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            {moving.length === 0 && !aperture && <p className="text-sm text-soft">{strings.bench.noControls}</p>}
            <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
                {draw &&
                    drawSweep &&
                    ofDraw.map((curve) => <Curve key={curve.name} {...curve} travel={draw} sweep={drawSweep} units={units} />)}
                {aperture &&
                    stopSweep &&
                    ofStops.map((curve) => (
                        <Curve
                            key={curve.name}
                            {...curve}
                            travel={aperture}
                            sweep={stopSweep}
                            units={units}
                            best={rig.advice?.single ?? null}
                        />
                    ))}
            </div>
            {rig.advice && (
                <p className="pt-3 text-sm">
                    <span className="mr-1.5 inline-block h-2.5 w-2.5 rotate-45 bg-verdigris" aria-hidden="true" />
                    {say.best(fNumber(rig.advice.single), fNumber(rig.advice.stacking), rig.advice.frames)}
                </p>
            )}
        </Dialog>
    );
}

interface Reading {
    title: string;
    unit: string;
    name: ReadingName;
    tell: (value: number) => string;
}

interface CurveProps extends Reading {
    travel: TravelView;
    sweep: SweepView;
    units: Units;
    best?: number | null;
}

/** One reading over one control. The values stand in a table for who can't see it. */
function Curve({ title, unit, name, travel, sweep, units, tell, best = null }: CurveProps) {
    const column = sweep.readings[name] ?? [];
    const points = sweep.positions
        .map((position, row) => [position, column[row] ?? null] as const)
        .filter((point): point is readonly [number, number] => point[1] !== null && point[1] > 0);
    const [from, to] = extent(points, ([position]) => position);
    const [low, high] = extent(points, ([, value]) => value);
    if (from === undefined || low === undefined || from === to) return null;
    const stops = travel.kind === 'aperture';
    const x = (stops ? scaleLog() : scaleLinear()).domain([from, to]).range([left, width - 24]);
    const wide = high / low > 8;
    const pad = high === low ? Math.abs(high) * 0.1 || 1 : wide ? 0 : (high - low) * 0.08;
    const y = (wide ? scaleLog() : scaleLinear()).domain([low - pad, high + pad]).range([height - bottom, 10]);
    const path =
        line<readonly [number, number]>(
            ([position]) => x(position),
            ([, value]) => y(value),
        )(points) ?? '';
    const now = Math.max(0, sweep.positions.indexOf(travel.value));
    const value = column[now] ?? null;
    const at = (row: number) => said(travel, sweep.positions[row] ?? 0, row, units).replace(/ · .*/, '');
    const rows = stops
        ? sweep.positions.map((_, row) => row)
        : [0, Math.round((sweep.positions.length - 1) / 2), sweep.positions.length - 1];
    const shown = stops ? rows.filter((_, i) => i % 3 === 0) : rows;
    const bestRow = best === null ? -1 : sweep.positions.findIndex((position) => Math.abs(position - best) < 1e-6);
    const bestValue = bestRow < 0 ? null : (column[bestRow] ?? null);
    const ticks = wide ? y.ticks(3).filter((_, i, all) => i % Math.ceil(all.length / 4) === 0) : y.ticks(4);
    return (
        <figure>
            <figcaption className="flex justify-between text-xs">
                <span className="font-semibold">{title}</span>
                <span className="figures text-soft">{value === null ? '' : `${tell(value)} ${unit} · ${at(now)}`}</span>
            </figcaption>
            <svg
                viewBox={`0 0 ${width} ${height}`}
                className="figures block w-full"
                role="img"
                aria-label={`${title}: ${value === null ? '' : `${tell(value)} ${unit}`}, ${tell(low)} – ${tell(high)} ${unit}`}
            >
                {ticks.map((tick) => (
                    <g key={tick} transform={`translate(0 ${y(tick)})`}>
                        <path d={`M${left} 0H${width - 24}`} stroke="var(--line)" strokeWidth="0.7" />
                        <text x={left - 6} y="3.5" fontSize="10" textAnchor="end" fill="var(--soft)">
                            {tell(tick)}
                        </text>
                    </g>
                ))}
                <path d={`M${left} 8V${height - bottom}H${width - 24}`} fill="none" stroke="var(--ink)" />
                {shown.map((row) => (
                    <g key={row} transform={`translate(${x(sweep.positions[row] ?? from)} ${height - bottom})`}>
                        <path d="M0 0V4" stroke="var(--ink)" />
                        <text y="15" fontSize="10" textAnchor="middle" fill="var(--soft)">
                            {at(row).replace(/ (mm|turns)$/, '')}
                        </text>
                    </g>
                ))}
                <path d={path} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
                {value !== null && value > 0 && (
                    <g transform={`translate(${x(sweep.positions[now] ?? from)} ${y(value)})`}>
                        <path d={`M0 0V${height - bottom - y(value)}`} stroke="var(--brass)" strokeDasharray="2 2" />
                        <circle r="4.5" fill="var(--plate)" stroke="var(--brass)" strokeWidth="2.5" />
                    </g>
                )}
                {bestValue !== null && bestValue > 0 && (
                    <path
                        transform={`translate(${x(sweep.positions[bestRow] ?? from)} ${y(bestValue)})`}
                        d="M0 -6L6 0L0 6L-6 0Z"
                        fill="var(--verdigris)"
                    >
                        <title>{say.bestStop}</title>
                    </path>
                )}
            </svg>
        </figure>
    );
}
