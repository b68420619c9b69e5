import { scaleLog } from 'd3-scale';
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Schema } from '../../api/client';
import { digits, lengthDigits, type Units } from '../../ui/figures';
import { usePreferences } from '../../shell/preferences';
import { find as findWords } from '../../strings/find';

type Overview = Schema['OverviewView'];

export type RouteName = keyof typeof findWords.find.routes;

interface Props {
    map: Overview;
    units: Units;
    /** Magnification, working distance, route of each row that fulfils the wish. */
    fits: readonly (readonly number[])[];
    /** Least working distance that is wanted, mm. */
    leastRoomMm: number | null;
    /** The one row that is pointed at. */
    pointed: Schema['FoundRig'] | null;
    route: RouteName | null;
}

const left = 52;
const bottom = 40;
const top = 14;
const right = 14;

/**
 * Everything a kit can do, magnification across and working distance up: all rigs as shading, some as dots, what fits in
 * colour. Shading and dots are pixels; axes, edge and what is pointed at are drawn over them.
 */
export const FindMap = memo(function FindMap({ map, units, fits, leastRoomMm, pointed, route }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const { light } = usePreferences();
    const [size, setSize] = useState({ width: 600, height: 480 });
    useLayoutEffect(() => {
        const element = box.current;
        if (!element) return;
        const watch = new ResizeObserver(() =>
            setSize({ width: Math.max(280, element.clientWidth), height: Math.max(260, element.clientHeight) }),
        );
        watch.observe(element);
        return () => watch.disconnect();
    }, []);

    const { x, y, cellM, cellMm } = useMemo(() => {
        const stepM = (map.mostM / map.leastM) ** (1 / map.columns);
        const stepMm = (map.mostMm / map.leastMm) ** (1 / map.rowsUp);
        const cells = map.routes.flatMap((each) => each.cells.map(([cell = 0]) => cell));
        const columns = cells.map((cell) => cell % map.columns);
        const rows = cells.map((cell) => Math.floor(cell / map.columns));
        const ends = (values: number[], last: number) =>
            values.length === 0 ? [0, last] : [values.reduce((a, b) => Math.min(a, b)), values.reduce((a, b) => Math.max(a, b)) + 1];
        const [firstColumn = 0, lastColumn = map.columns] = ends(columns, map.columns);
        const [firstRow = 0, lastRow = map.rowsUp] = ends(rows, map.rowsUp);
        return {
            x: scaleLog([map.leastM * stepM ** firstColumn, map.leastM * stepM ** lastColumn], [left, size.width - right]),
            y: scaleLog([map.leastMm * stepMm ** firstRow, map.leastMm * stepMm ** lastRow], [size.height - bottom, top]),
            cellM: stepM,
            cellMm: stepMm,
        };
    }, [map, size]);

    useEffect(() => {
        const element = canvas.current;
        const pen = element?.getContext('2d');
        if (!element || !pen) return;
        const ratio = window.devicePixelRatio || 1;
        element.width = size.width * ratio;
        element.height = size.height * ratio;
        pen.setTransform(ratio, 0, 0, ratio, 0, 0);
        pen.clearRect(0, 0, size.width, size.height);
        const look = getComputedStyle(document.documentElement);
        const colour = (name: string) => look.getPropertyValue(name).trim();

        const counts = new Map<number, number>();
        for (const each of map.routes) {
            if (route !== null && each.route !== route) continue;
            for (const [cell = 0, count = 0] of each.cells) counts.set(cell, (counts.get(cell) ?? 0) + count);
        }
        const most = Math.log1p(Math.max(1, ...counts.values()));
        pen.fillStyle = colour('--soft');
        for (const [cell, count] of counts) {
            const m = map.leastM * cellM ** (cell % map.columns);
            const mm = map.leastMm * cellMm ** Math.floor(cell / map.columns);
            pen.globalAlpha = 0.04 + 0.3 * (Math.log1p(count) / most);
            pen.fillRect(x(m), y(mm * cellMm), x(m * cellM) - x(m) + 0.5, y(mm) - y(mm * cellMm) + 0.5);
        }
        pen.globalAlpha = route === null ? 0.55 : 0.8;
        for (const [m = 0, mm = 0, of = 0] of map.dots) {
            const name = map.routes[of]?.route;
            if (name === undefined || (route !== null && name !== route)) continue;
            stamp(pen, name, x(m), y(mm), 1.7);
        }
        pen.globalAlpha = 1;
        pen.fillStyle = colour('--verdigris');
        for (const [m = 0, mm = 0, of = 0] of fits) {
            const name = map.routes[of]?.route;
            if (name === undefined || mm <= 0 || (route !== null && name !== route)) continue;
            stamp(pen, name, x(m), y(mm), 3);
        }
    }, [map, fits, route, size, x, y, cellM, cellMm, light]);

    const lines = useMemo(() => [...new Set(fits.map(([m = 0]) => Number(m.toPrecision(4))))], [fits]);
    // Where neighbouring columns of the map are empty, the edge is broken: nothing lies between.
    const edge = map.edge
        .map(([column = 0, mm = 1], at) => {
            const px = x(map.leastM * cellM ** (column + 0.5));
            const joined = at > 0 && column - (map.edge[at - 1]?.[0] ?? -9) < 1.5;
            return `${joined ? 'L' : 'M'}${px.toFixed(1)} ${y(mm).toFixed(1)}`;
        })
        .join('');
    const highest = map.edge.reduce((best, each) => ((each[1] ?? 0) > (best[1] ?? 0) ? each : best), map.edge[0] ?? [0, 1]);
    const ticks = (scale: typeof x) =>
        scale
            .ticks(8)
            .filter((value) =>
                (size.width < 460 ? [1] : [1, 2, 5]).includes(Math.round(value / 10 ** Math.floor(Math.log10(value) + 1e-9))),
            );
    const say = findWords.find;
    const floor = size.height - bottom;
    return (
        <div ref={box} className="relative min-h-[320px] flex-1">
            <canvas ref={canvas} className="absolute inset-0" style={{ width: size.width, height: size.height }} aria-hidden="true" />
            <svg role="img" aria-label={say.map} width={size.width} height={size.height} className="absolute inset-0">
                {ticks(x).map((value) => (
                    <g key={value}>
                        <path d={`M${x(value)} ${top}V${floor}`} stroke="var(--line)" strokeWidth={value === 1 ? 1.5 : 0.5} />
                        <text x={x(value)} y={floor + 15} textAnchor="middle" className="figures" fontSize="11" fill="var(--ink)">
                            {digits(value)}×
                        </text>
                    </g>
                ))}
                {ticks(y).map((value) => (
                    <g key={value}>
                        <path d={`M${left} ${y(value)}H${size.width - right}`} stroke="var(--line)" strokeWidth="0.5" />
                        <text x={left - 6} y={y(value) + 4} textAnchor="end" className="figures" fontSize="11" fill="var(--ink)">
                            {lengthDigits(value, units)}
                        </text>
                    </g>
                ))}
                <text x={size.width - right} y={size.height - 8} textAnchor="end" fontSize="12" fill="var(--soft)">
                    {say.mapAcross}
                </text>
                <text x={4} y={size.height - 8} fontSize="12" fill="var(--soft)">
                    {say.mapUp}, {units}
                </text>
                <path d={edge} fill="none" stroke="var(--ink)" strokeWidth="1.25" />
                {map.edge.length > 4 && (
                    <text
                        x={Math.min(x(map.leastM * cellM ** ((highest[0] ?? 0) + 0.5)) + 6, size.width - 250)}
                        y={y(highest[1] ?? 1) - 4 < 12 ? 12 : y(highest[1] ?? 1) - 4}
                        fontSize="11"
                        fill="var(--ink)"
                    >
                        {say.edge}
                    </text>
                )}
                {lines.length <= 6 &&
                    lines.map((m) => (
                        <path
                            key={m}
                            d={`M${x(m)} ${leastRoomMm === null || leastRoomMm <= 0 ? floor : Math.min(floor, Math.max(top, y(leastRoomMm)))}V${top}`}
                            stroke="var(--verdigris)"
                            strokeWidth="1"
                            strokeDasharray="4 3"
                        />
                    ))}
                {leastRoomMm !== null && leastRoomMm > 0 && lines.length > 0 && y(leastRoomMm) > top && y(leastRoomMm) < floor && (
                    <path
                        d={`M${left} ${y(leastRoomMm)}H${size.width - right}`}
                        stroke="var(--verdigris)"
                        strokeWidth="1"
                        strokeDasharray="4 3"
                    />
                )}
                {pointed?.magnification != null && pointed.workingDistanceMm != null && pointed.workingDistanceMm > 0 && (
                    <circle
                        cx={x(pointed.magnification)}
                        cy={y(pointed.workingDistanceMm)}
                        r="7"
                        fill="none"
                        stroke="var(--brass)"
                        strokeWidth="2.5"
                    />
                )}
            </svg>
        </div>
    );
});

/** A dot, of a shape that tells its route where colour doesn't. */
function stamp(pen: CanvasRenderingContext2D, route: RouteName, x: number, y: number, r: number) {
    pen.beginPath();
    switch (route) {
        case 'bellows':
            pen.rect(x - r, y - r, 2 * r, 2 * r);
            break;
        case 'reversed':
            pen.moveTo(x, y - r * 1.3);
            pen.lineTo(x + r * 1.2, y + r);
            pen.lineTo(x - r * 1.2, y + r);
            break;
        case 'diopter':
            pen.arc(x, y, r, 0, 7);
            pen.arc(x, y, r * 0.45, 0, 7, true);
            break;
        case 'coupled':
            pen.rect(x - r * 1.3, y - r * 0.35, r * 2.6, r * 0.7);
            pen.rect(x - r * 0.35, y - r * 1.3, r * 0.7, r * 2.6);
            break;
        case 'objective':
            pen.rect(x - r * 0.4, y - r * 1.4, r * 0.8, r * 2.8);
            break;
        case 'tubes':
            pen.moveTo(x, y - r * 1.3);
            pen.lineTo(x + r * 1.3, y);
            pen.lineTo(x, y + r * 1.3);
            pen.lineTo(x - r * 1.3, y);
            break;
        default:
            pen.arc(x, y, r, 0, 7);
    }
    pen.fill('evenodd');
}

/** The same shape in a line of words. */
export function RouteMark({ route }: { route: RouteName }) {
    const shapes: Record<RouteName, string> = {
        plain: 'M2 6a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z',
        tubes: 'M6 1L11 6L6 11L1 6Z',
        bellows: 'M2 2H10V10H2Z',
        diopter: 'M2 6a4 4 0 1 0 8 0a4 4 0 1 0 -8 0ZM4.2 6a1.8 1.8 0 1 0 3.6 0a1.8 1.8 0 1 0 -3.6 0Z',
        reversed: 'M6 1L11 10H1Z',
        coupled: 'M5 1H7V5H11V7H7V11H5V7H1V5H5Z',
        objective: 'M4.7 1H7.3V11H4.7Z',
    };
    return (
        <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true" className="inline-block">
            <path d={shapes[route]} fill="currentColor" fillRule="evenodd" />
        </svg>
    );
}
