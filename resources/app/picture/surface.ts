import type { Schema } from '../api/client';

export type Target = Schema['TargetView'];

/** What of the drawing canvas is needed to cut a region out. */
export type Path = Pick<CanvasRenderingContext2D, 'beginPath' | 'rect' | 'ellipse' | 'clip'>;

/**
 * Cuts a canvas, whose unit is a millimetre of the target and whose middle the target's, down to what of the target lies no further
 * off than that: the surface that its shape is, its middle half-way through its depth. What lies behind all of it is never cut off.
 *
 * @returns whether anything is left
 */
export function nearerThan(path: Path, target: Target, mm: number): boolean {
    const { shape, widthMm: w, heightMm: h, depthMm: depth } = target;
    const share = depth > 0 ? (mm + depth / 2) / depth : 1;
    // A face that stands before a ground is cut out by itself.
    if (share >= 1 - 1e-9 || shape === 'step') return true;
    if (share <= 1e-9) return false;
    path.beginPath();
    switch (shape) {
        case 'sheet':
            // Its left side is the near one.
            path.rect(-w / 2, -h, w * share, 2 * h);
            break;
        case 'dome': {
            const rim = Math.sqrt(1 - (1 - share) ** 2);
            path.ellipse(0, 0, (w / 2) * rim, (h / 2) * rim, 0, 0, 2 * Math.PI);
            break;
        }
        case 'cylinder': {
            const side = Math.sqrt(1 - (1 - share) ** 2);
            path.rect((-w / 2) * side, -h, w * side, 2 * h);
        }
    }
    path.clip();
    return true;
}
