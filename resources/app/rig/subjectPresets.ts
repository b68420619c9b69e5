import { light as lightWords } from '../strings/light';

/** Measures of common subjects, mm, to begin from. */
const measures = {
    seed: { widthMm: 3, depthMm: 1.2 },
    coin: { widthMm: 23, depthMm: 0.4 },
    petal: { widthMm: 30, depthMm: 6 },
    insect: { widthMm: 4, depthMm: 2.5 },
    film: { widthMm: 36, depthMm: 0, flat: true },
    paper: { widthMm: 210, depthMm: 0, flat: true },
} as const;

export type Preset = keyof typeof measures;

export const presets = Object.keys(measures) as Preset[];

/** What a preset fills in; how it moves and what it suffers from stays as it was said. */
export function filled(before: Readonly<Record<string, unknown>>, preset: Preset): Record<string, unknown> {
    const kept = Object.fromEntries(
        Object.entries(before).filter(([name]) => !['name', 'widthMm', 'depthMm', 'radiusMm', 'flat'].includes(name)),
    );
    const name = lightWords.presets[preset];
    return { ...kept, name: name.replace(/^an? /, '').replace(/^./, (first) => first.toUpperCase()), ...measures[preset] };
}
