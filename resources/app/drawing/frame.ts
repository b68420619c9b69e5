import type { Schema } from '../api/client';

type Drawing = Schema['DrawingView'];

/** How millimetres fall on the drawing's pixels. */
export interface Frame {
    width: number;
    height: number;
    /** Pixels per mm. */
    scale: number;
    x: (mm: number) => number;
    y: (mm: number) => number;
    /** Whether the subject stands too far off for the scale, so that the axis is broken. */
    broken: boolean;
    subjectX: number | null;
    axisY: number;
    ruleY: number;
    lastMm: number;
}

const side = 18;
const labels = 44;
const foot = 40;

/** All that a frame comes from, in words: as long as these stay, the frame does. */
export function framed(drawing: Drawing, width: number, height: number, tipMm: number, subjectMm: number | null): string {
    const { camera, tipDiameterMm, parts } = drawing;
    return [
        width,
        height,
        tipMm,
        subjectMm,
        camera.backMm,
        camera.heightMm,
        tipDiameterMm,
        ...parts.map((part) => `${part.kind}${part.outerMm}`),
    ].join(' ');
}

/**
 * Fits a rig into the drawing. A subject further off than the rig is long (and a half) breaks the axis.
 *
 * @param tipMm the longest the rig gets while a part is held, so that the scale stays still
 */
export function frameOf(drawing: Drawing, width: number, height: number, tipMm: number, subjectMm: number | null): Frame {
    const back = drawing.camera.backMm;
    const tall =
        Math.max(
            drawing.camera.heightMm,
            drawing.tipDiameterMm,
            ...drawing.parts.map((part) => part.outerMm + (part.kind === 'bellows' ? 26 : 0)),
        ) + 8;
    const length = tipMm - back;
    const broken = subjectMm === null || subjectMm - tipMm > length * 1.5;
    const right = broken ? tipMm + Math.max(30, length * 0.35) : Math.max(tipMm + 14, subjectMm + 12);
    const scale = Math.min((width - 2 * side) / (right - back), (height - labels - foot) / tall, 6);
    const used = (right - back) * scale;
    const start = side + Math.max(0, (width - 2 * side - used) / 2);
    const axisY = labels + ((height - labels - foot) * 1) / 2;
    const x = (mm: number) => start + (mm - back) * scale;
    return {
        width,
        height,
        scale,
        x,
        y: (mm) => axisY - mm * scale,
        broken,
        subjectX: broken ? x(right) - 8 : null,
        axisY,
        ruleY: height - foot + 6,
        lastMm: right,
    };
}
