import { drawGround, drawTarget, type View } from './artwork';
import type { Exposure, Sheet } from './develop';
import { slabs, type Layer } from './layers';
import { boxOf, nearerThan, type Target } from './surface';

/** What a rig makes of a target, and how much of its picture is shown. */
export interface Shot {
    target: Target;
    layers: readonly Layer[];
    /** In the plane of focus. */
    magnification: number;
    /** Of the blur that is everywhere, mm at the sensor. */
    gaussianMm: number;
    /** From the middle to the corner of the whole picture. */
    brightness: readonly number[];
    /** Width of the whole picture, in the subject. */
    fieldMm: number;
    /** Width of what is shown of it, in the subject. */
    shownMm: number;
}

/** No disc is painted wider than this, px: beyond it nothing is left to be seen. */
const widest = 60;

/**
 * The sheets that a picture is made of, drawn sharp: the ground, then the target slab by slab, each at its own scale, the furthest first.
 *
 * @param width of the picture, px
 */
export function expose(shot: Shot, width: number, height: number, canvas: HTMLCanvasElement | OffscreenCanvas): Exposure {
    const { target } = shot;
    const perMm = width / (shot.shownMm * shot.magnification);
    const slabsOf = slabs(shot.layers, target, perMm).map((slab) => ({ ...slab, radius: Math.min(widest, slab.radius) }));
    const margin = Math.ceil(Math.max(1, ...slabsOf.map((slab) => slab.radius))) + 2;
    canvas.width = width + 2 * margin;
    canvas.height = height + 2 * margin;
    const brush = canvas.getContext('2d', { willReadFrequently: true });
    if (!brush) throw new Error('This browser draws no canvas.');
    const sheets: Sheet[] = [];
    for (const [n, { magnification, toMm, radius }] of slabsOf.entries()) {
        const scale = magnification * perMm;
        const view: View = { x: canvas.width / 2 / scale, y: canvas.height / 2 / scale, scale };
        brush.setTransform(1, 0, 0, 1, 0, 0);
        brush.clearRect(0, 0, canvas.width, canvas.height);
        brush.setTransform(scale, 0, 0, scale, canvas.width / 2, canvas.height / 2);
        brush.save();
        if (n === 0) drawGround(brush, target, view);
        const isGround = n === 0 && target.shape === 'step' && slabsOf.length > 1;
        if (!isGround && (n === 0 || nearerThan(brush, target, toMm))) drawTarget(brush, target, view);
        brush.restore();
        // The ground is everywhere; of a slab only what there is of it, and as far about it as it blurs, has to be developed.
        const box = n === 0 ? null : boxOf(target, toMm);
        const [w, h] = [canvas.width, canvas.height];
        const about = Math.ceil(radius) + 2;
        const at = (mm: number, middle: number, most: number, by: number) =>
            Math.max(0, Math.min(most, Math.round(middle + mm * scale) + by));
        const [x, y] = box === null ? [0, 0] : [at(box.left, w / 2, w, -about), at(box.top, h / 2, h, -about)];
        const [right, low] = box === null ? [w, h] : [at(box.right, w / 2, w, about), at(box.low, h / 2, h, about)];
        if (right <= x || low <= y) continue;
        sheets.push({ pixels: brush.getImageData(x, y, right - x, low - y).data, x, y, width: right - x, height: low - y, radius });
    }
    return { width, height, margin, sheets, sigma: shot.gaussianMm * perMm, brightness: shown(shot) };
}

/** The part of the fall-off that is shown: a crop keeps the bright middle. */
function shown({ brightness, fieldMm, shownMm }: Shot): number[] {
    const share = Math.min(1, shownMm / fieldMm);
    return brightness.map((_, n) => {
        const place = n * share;
        const low = Math.floor(place);
        const from = brightness[low] ?? 1;
        return from + ((brightness[low + 1] ?? from) - from) * (place - low);
    });
}
