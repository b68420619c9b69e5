import type { Schema } from '../api/client';
import type { Frame } from './frame';

type Movement = Schema['DrawingMovement'] | null;

/** How what stands before swung or shifted bellows is carried along, as an SVG transform: its front swings up, its plate shifts up. */
export function placeOf(movement: Movement, index: number, frame: Frame): string | undefined {
    if (!movement || index <= movement.part) return undefined;
    return `translate(0 ${-movement.shiftMm * frame.scale}) rotate(${-movement.swingDeg} ${frame.x(movement.pivotMm)} ${frame.axisY})`;
}

/** The same of one place, mm along the axis and above it. */
export function moved(movement: Movement, mm: number, high: number): { mm: number; high: number } {
    if (!movement || mm < movement.pivotMm - 1e-6) return { mm, high };
    const swing = (movement.swingDeg * Math.PI) / 180;
    const along = mm - movement.pivotMm;
    return {
        mm: movement.pivotMm + along * Math.cos(swing) - high * Math.sin(swing),
        high: along * Math.sin(swing) + high * Math.cos(swing) + movement.shiftMm,
    };
}

type Part = Schema['DrawingPart'];

/** The part as it rests, where it is that one carried along whole; else the part itself. */
export function carriedFrom(part: Part, rest: Part | undefined): Part {
    return rest !== undefined &&
        rest.label === part.label &&
        rest.reversed === part.reversed &&
        Math.abs(part.rearMm - rest.rearMm - (part.frontMm - rest.frontMm)) < 1e-9
        ? rest
        : part;
}
