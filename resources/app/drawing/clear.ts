import type { Schema } from '../api/client';
import type { Frame } from './frame';

export interface Box {
    left: number;
    right: number;
    top: number;
    bottom: number;
}

/** Outlines of camera and parts, px, as the boxes they stand in. */
export function outlines(drawing: Schema['DrawingView'], frame: Frame): Box[] {
    const box = (from: number, to: number, diameter: number): Box => ({
        left: frame.x(from),
        right: frame.x(to),
        top: frame.y(diameter / 2),
        bottom: frame.y(-diameter / 2),
    });
    return [
        box(drawing.camera.backMm, drawing.camera.frontMm, drawing.camera.heightMm),
        ...drawing.parts.map((part) => box(part.rearMm, part.frontMm, part.outerMm)),
    ];
}

export const crosses = (one: Box, other: Box) =>
    one.left < other.right && one.right > other.left && one.top < other.bottom && one.bottom > other.top;

/** How wide figures of a size are, px: as wide as the widest face they are set in. */
export const textWidth = (text: string, size: number) => text.length * size * 0.62;

/**
 * The baseline of a text as near to a wished one as no outline allows nearer: above them all, else as it was wished.
 *
 * @param left where the text begins and ends, px
 */
export function clearBaseline(boxes: readonly Box[], left: number, right: number, wished: number, size: number): number {
    const over = (baseline: number) => boxes.filter((box) => crosses(box, { left, right, top: baseline - size, bottom: baseline + 3 }));
    let baseline = wished;
    // Each step clears at least one outline, and none is met again further up.
    for (let met = over(baseline); met.length > 0; met = over(baseline)) baseline = Math.min(...met.map((box) => box.top)) - 4;
    return baseline;
}
