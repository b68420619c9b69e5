import type { Schema } from '../api/client';

export type Layer = Schema['PictureLayer'];

/** Layers that are painted as one. */
export interface Slab {
    /** Everything no further off than that belongs to it; nearer slabs are painted over it. */
    toMm: number;
    magnification: number;
    /** px */
    radius: number;
}

/** Discs that differ by less than this look alike, px across or as a share. */
const [alike, alikeShare] = [0.9, 0.18];

/**
 * Layers as they are painted, the furthest first: neighbours whose discs look alike on this screen are one.
 *
 * @param layers as the core cut them, the furthest first, all equally thick
 * @param perMm px on the screen for a mm of the sensor
 */
export function slabs(layers: readonly Layer[], { shape, depthMm }: Cut, perMm: number): Slab[] {
    const thick = layers.length > 0 ? depthMm / layers.length : 0;
    const found: Slab[] = [];
    let first: Layer | null = null;
    let group: Layer[] = [];
    const close = () => {
        if (!first || group.length === 0) return;
        const mean = (of: (layer: Layer) => number) => group.reduce((sum, layer) => sum + of(layer), 0) / group.length;
        found.push({
            toMm: first.atMm + thick / 2,
            magnification: mean((layer) => layer.magnification),
            radius: (mean((layer) => layer.discMm) * perMm) / 2,
        });
    };
    for (const layer of layers) {
        if (
            first &&
            (shape === 'step' || Math.abs(layer.discMm - first.discMm) * perMm > Math.max(alike, alikeShare * first.discMm * perMm))
        ) {
            close();
            first = null;
            group = [];
        }
        first ??= layer;
        group.push(layer);
    }
    close();
    return found;
}

type Cut = Pick<Schema['TargetView'], 'shape' | 'depthMm'>;

/** Scale and disc at a target's near and far end: they tell every layer between. */
export interface Ends {
    nearScale: number;
    nearDiscMm: number;
    farScale: number;
    farDiscMm: number;
}

/** How the core cuts a target into layers: none thicker than a quarter of the slice, and not more than 64. */
const [share, most] = [0.25, 64];

/** Layers from both ends, as the core cuts them: between them 1 / scale is a straight line, and so is disc / scale on either side. */
export function between({ nearScale, nearDiscMm, farScale, farDiscMm }: Ends, { shape, depthMm }: Cut, sliceMm: number | null): Layer[] {
    if (shape === 'step' && depthMm > 0)
        return [
            { atMm: depthMm / 2, magnification: farScale, discMm: farDiscMm },
            { atMm: -depthMm / 2, magnification: nearScale, discMm: nearDiscMm },
        ];
    const thick = sliceMm === null || sliceMm <= 0 ? Infinity : sliceMm * share;
    const count = Math.max(1, Math.min(most, Math.ceil(depthMm / thick - 1e-9)));
    return Array.from({ length: count }, (_, n) => {
        const part = (count - n - 0.5) / count;
        const atMm = (part - 0.5) * depthMm;
        const magnification = 1 / ((1 - part) / nearScale + part / farScale);
        // As far before the plane of focus as behind it, disc / scale is the same.
        const perScale = farDiscMm / farScale;
        return { atMm, magnification, discMm: depthMm === 0 ? 0 : (magnification * perScale * Math.abs(atMm)) / (depthMm / 2) };
    });
}
