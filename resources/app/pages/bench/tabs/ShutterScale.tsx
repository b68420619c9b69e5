import { useLayoutEffect, useRef, useState } from 'react';
import { light as lightWords } from '../../../strings/light';
import { stops } from '../../../ui/figures';
import { shutter } from '../../../ui/shutter';
import type { LightFigure } from './useLight';

const ticks = [
    1 / 8000,
    1 / 4000,
    1 / 2000,
    1 / 1000,
    1 / 500,
    1 / 250,
    1 / 125,
    1 / 60,
    1 / 30,
    1 / 15,
    1 / 8,
    1 / 4,
    1 / 2,
    1,
    2,
    4,
    8,
    15,
    30,
    60,
];
const from = 1 / 8000;
const to = 60;
/** As wide as the panel is on a desk; what it is drawn at before its own width is known. */
const usual = 836;
const least = 340;
const left = 14;
const right = 26;
const row = 17;
/** Over the limits, for what is said of this light. */
const head = 32;
const limits = ['acrossS', 'toAndFroS', 'swayS', 'customS'] as const;

/** Where a shutter time stands on a scale of a width, px; what lies beyond its ends stands at them. */
export function placeIn(width: number): (seconds: number) => number {
    return (seconds) => left + ((width - left - right) * Math.log2(Math.min(to, Math.max(from, seconds)) / from)) / Math.log2(to / from);
}

/** Up to where each thing stays still, and where this light's exposure falls, on one scale of shutter times. */
export function ShutterScale({ figure }: { figure: LightFigure }) {
    const say = lightWords.light;
    const box = useRef<HTMLDivElement>(null);
    const [width, setWidth] = useState(usual);
    useLayoutEffect(() => {
        const element = box.current;
        if (!element) return undefined;
        const watch = new ResizeObserver(() => {
            if (element.clientWidth > 0) setWidth(Math.max(least, element.clientWidth));
        });
        watch.observe(element);
        return () => watch.disconnect();
    }, []);
    const place = placeIn(width);
    // Names of every second place have room on a desk, of every fourth on a phone.
    const named = width < 600 ? 4 : 2;
    const stills = limits.flatMap((name) => {
        const seconds = figure(name);
        return seconds === null || seconds === undefined ? [] : [{ name, seconds }];
    });
    const exposure = figure('exposureS') ?? null;
    const gap = figure('gapStops') ?? null;
    // A row for each thing that is known: which they are, no control changes while something is sharp.
    const foot = head + Math.max(1, stills.length) * row + 12;
    const at = exposure === null ? null : place(exposure);
    const turned = at !== null && at > width - 190;
    return (
        <div ref={box}>
            <svg viewBox={`0 0 ${width} ${foot + 22}`} width={width} height={foot + 22} className="block" role="img" aria-label={say.scale}>
                {stills.map(({ name, seconds }, n) => {
                    const end = place(seconds);
                    const said = say.limits[name](shutter(seconds));
                    const outside = end < Math.min(330, width * 0.6);
                    return (
                        <g key={name}>
                            <rect
                                x={left}
                                y={head + n * row + 9}
                                width={Math.max(1, end - left)}
                                height={4}
                                fill="var(--verdigris)"
                                opacity={0.32}
                            />
                            <path d={`M${end} ${head + n * row + 4}V${foot}`} stroke="var(--verdigris)" strokeDasharray="2 3" />
                            <text
                                x={outside ? end + 5 : end - 4}
                                y={head + n * row + (outside ? 14 : 6)}
                                fontSize={11.5}
                                textAnchor={outside ? 'start' : 'end'}
                                fill="var(--verdigris)"
                                stroke="var(--ground)"
                                strokeWidth={3}
                                paintOrder="stroke"
                            >
                                {said}
                            </text>
                        </g>
                    );
                })}
                <path d={`M${left} ${foot}H${width - right}`} stroke="var(--ink)" />
                {ticks.map((seconds, n) => (
                    <g key={seconds}>
                        <path d={`M${place(seconds)} ${foot}v5`} stroke="var(--ink)" />
                        {n % named === 1 && (
                            <text x={place(seconds)} y={foot + 18} fontSize={11} textAnchor="middle" className="figures" fill="var(--ink)">
                                {seconds < 0.9 ? `1/${Math.round(1 / seconds)}` : seconds}
                            </text>
                        )}
                    </g>
                ))}
                <text x={width - 2} y={foot + 18} fontSize={11} textAnchor="end" className="figures" fill="var(--ink)">
                    s
                </text>
                {exposure !== null && at !== null && (
                    <g data-exposure>
                        <path d={`M${at} 2V${foot + 6}`} stroke="var(--brass)" strokeWidth={3} />
                        <text
                            x={turned ? at - 8 : at + 8}
                            y={12}
                            fontSize={13}
                            fontWeight={600}
                            textAnchor={turned ? 'end' : 'start'}
                            fill="var(--brass)"
                            stroke="var(--ground)"
                            strokeWidth={4}
                            paintOrder="stroke"
                        >
                            {say.byThis(shutter(exposure))}
                        </text>
                        {gap !== null && (
                            <text
                                x={turned ? at - 8 : at + 8}
                                y={28}
                                fontSize={12}
                                textAnchor={turned ? 'end' : 'start'}
                                fill="var(--ink)"
                                stroke="var(--ground)"
                                strokeWidth={4}
                                paintOrder="stroke"
                            >
                                {gap > 0 ? say.slow(stops(gap)) : say.quick(stops(-gap))}
                            </text>
                        )}
                    </g>
                )}
            </svg>
        </div>
    );
}
