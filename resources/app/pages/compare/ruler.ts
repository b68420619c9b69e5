import type { Schema } from '../../api/client';

type Layer = Schema['PictureLayer'];

export interface RulerLine {
    /** Where it stands across the frame, and how wide and how dark it is drawn, px and 0 to 1. */
    x: number;
    width: number;
    dark: number;
    long: boolean;
}

/** A line of a ruler is a tenth as wide as it is from the next. */
const thin = 0.1;

/** Nothing thinner than this is seen on a screen, px. */
const least = 0.6;

/**
 * A ruler that leans through the target's depth, its middle in the plane of focus, as a rig images it: each line as large as its layer's
 * scale has it, spread over its layer's disc, and as much paler.
 *
 * @param step from line to line in the subject, mm
 * @param width of the frame on the screen, px
 */
export function rulerLines(layers: readonly Layer[], depthMm: number | null, fieldMm: number, step: number, width: number): RulerLine[] {
    const middle = layers.reduce<Layer | null>(
        (best, each) => (best === null || Math.abs(each.atMm) < Math.abs(best.atMm) ? each : best),
        null,
    );
    if (!middle || !(step > 0)) return [];
    // At the middle's scale the field fills the frame.
    const px = width / fieldMm;
    const sensorPx = px / middle.magnification;
    const lines: RulerLine[] = [];
    for (let k = -Math.floor(fieldMm / step); k <= Math.floor(fieldMm / step); k++) {
        const at = k * step;
        const deep = depthMm === null ? 0 : (at / fieldMm) * depthMm;
        const layer = layers.reduce((best, each) => (Math.abs(each.atMm - deep) < Math.abs(best.atMm - deep) ? each : best), middle);
        const x = width / 2 + (at * px * layer.magnification) / middle.magnification;
        const own = Math.max(least, (step * thin * px * layer.magnification) / middle.magnification);
        const spread = own + layer.discMm * sensorPx;
        if (x + spread / 2 < 0 || x - spread / 2 > width) continue;
        lines.push({ x, width: spread, dark: own / spread, long: k % 5 === 0 });
    }
    return lines;
}
