import type { Schema } from '../api/client';
import { strings } from '../strings/index';
import { length, type Units } from '../ui/figures';
import { clearBaseline, outlines, textWidth } from './clear';
import type { Frame } from './frame';

/** A flash as it is planned: how far off, and at which angle over the plane of focus; null = wherever light gets past the rig. */
export interface PlannedFlash {
    name: string;
    distanceMm: number;
    angleDeg: number | null;
}

const usualDeg = 45;

/** Where the flash stands, px, and whether the drawing is too small for it: it then stands at the edge, its way broken. */
export function flashAt(
    flash: Pick<PlannedFlash, 'distanceMm' | 'angleDeg'>,
    lightGapDeg: number | null,
    subjectX: number,
    frame: Pick<Frame, 'scale' | 'axisY' | 'broken'>,
): { x: number; y: number; angleDeg: number; far: boolean } {
    // Nobody said how: in the middle of what the rig's shade leaves, or at half a right angle.
    const angleDeg = flash.angleDeg ?? Math.min(usualDeg, lightGapDeg === null ? usualDeg : lightGapDeg * 0.75);
    const angle = (angleDeg * Math.PI) / 180;
    const way = flash.distanceMm * frame.scale;
    const across = Math.sin(angle);
    const up = Math.cos(angle);
    const room = Math.min(up > 1e-6 ? (frame.axisY - 62) / up : Infinity, across > 1e-6 ? (subjectX - 26) / across : Infinity);
    // A broken axis has no scale to stand at.
    const reach = Math.max(20, Math.min(frame.broken ? 90 : way, room));
    return {
        x: subjectX - reach * across,
        // Over a broken axis stand its own figures: the flash is drawn below it.
        y: frame.axisY + (frame.broken ? reach : -reach) * up,
        angleDeg,
        far: frame.broken || way > room,
    };
}

/** The angles that the rig's shade leaves to light, and the flash among them. */
export function FlashPlace({
    drawing,
    frame,
    flash,
    lightGapDeg,
    units,
}: {
    drawing: Schema['DrawingView'];
    frame: Frame;
    flash: PlannedFlash;
    lightGapDeg: number | null;
    units: Units;
}) {
    if (drawing.subjectMm === null) return null;
    const sx = frame.subjectX ?? frame.x(drawing.subjectMm);
    const sy = frame.axisY;
    const { x, y, angleDeg, far } = flashAt(flash, lightGapDeg, sx, frame);
    const shaded = lightGapDeg !== null && angleDeg > lightGapDeg + 0.5;
    const gap = ((lightGapDeg ?? 90) * Math.PI) / 180;
    const wedge = frame.broken ? -74 : 74;
    const said = `${flash.name} ${length(flash.distanceMm, units)}${shaded ? `, ${strings.work.inShade}` : ''}`;
    const wide = textWidth(said, 12) * 0.86;
    const right = x + 21 + wide < frame.width;
    const leftEnd = right ? x + 21 : x - 21 - wide;
    const boxes = outlines(drawing, frame);
    // Below a broken axis its name stands below every outline, elsewhere above.
    const baseline = frame.broken
        ? Math.max(y + 4, ...boxes.filter((box) => box.right > leftEnd).map((box) => box.bottom + 15))
        : clearBaseline(boxes, leftEnd, leftEnd + wide, y + 4, 12);
    const middle = { x: (x + sx) / 2, y: (y + sy) / 2 };
    return (
        <g pointerEvents="none" data-flash>
            <path
                d={`M${sx} ${sy}V${sy - wedge}A74 74 0 0 ${frame.broken ? 1 : 0} ${sx - 74 * Math.sin(gap)} ${sy - wedge * Math.cos(gap)}Z`}
                fill="var(--verdigris)"
                opacity={0.14}
            />
            <path d={`M${sx} ${sy}L${x} ${y}`} stroke="var(--verdigris)" strokeWidth={1.4} />
            {far && <path d={`M${middle.x - 7} ${middle.y - 4}l5 8 4 -8 5 8`} fill="none" stroke="var(--ground)" strokeWidth={5} />}
            {far && <path d={`M${middle.x - 7} ${middle.y - 4}l5 8 4 -8 5 8`} fill="none" stroke="var(--verdigris)" strokeWidth={1.2} />}
            <g transform={`translate(${x} ${y}) rotate(${frame.broken ? 180 - angleDeg : angleDeg})`}>
                <rect x={-11} y={-14} width={22} height={10} fill="var(--plate)" stroke="var(--ink)" strokeWidth={1.2} />
                <path d="M-11 -4L-7 0H7L11 -4Z" fill="var(--brass)" stroke="var(--ink)" strokeWidth={1} />
            </g>
            <text x={leftEnd} y={baseline} fontSize={12} fill="var(--ink)" stroke="var(--ground)" strokeWidth={3} paintOrder="stroke">
                {said}
            </text>
        </g>
    );
}
