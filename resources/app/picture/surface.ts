import type { Schema } from '../api/client';

export type Target = Schema['TargetView'];

/** What of the drawing canvas is needed to cut a region out. */
export type Path = Pick<CanvasRenderingContext2D, 'beginPath' | 'rect' | 'ellipse' | 'clip'>;

/** A box about the target's middle, mm. */
export interface Box {
    left: number;
    right: number;
    top: number;
    low: number;
}

/** What is drawn of a target reaches no further beyond it than by this share. */
const beyond = 0.2;

/** A box that holds all of a target that lies no further off than that. */
export function boxOf({ shape, widthMm: w, heightMm: h, depthMm: depth }: Target, mm: number): Box {
    const share = depth > 0 ? Math.max(0, Math.min(1, (mm + depth / 2) / depth)) : 1;
    const rim = shape === 'step' ? 1 : Math.sqrt(1 - (1 - share) ** 2);
    const [x, y] = [(w / 2) * (1 + beyond), (h / 2) * (1 + beyond)];
    if (shape === 'sheet') return { left: -x, right: Math.min(x, w * share - w / 2 + (w / 2) * beyond), top: -y, low: y };
    return { left: -x * rim, right: x * rim, top: shape === 'dome' ? -y * rim : -y, low: shape === 'dome' ? y * rim : y };
}

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
