import type { Schema } from '../api/client';
import type { Frame } from './frame';

/** The subject to scale. */
export interface DrawnSubject {
    widthMm: number;
    /** With its sag. */
    depthMm: number;
    /** How far its nearest point stands before the plane of focus. */
    beforeMm: number;
}

/** The subject where it stands, as wide and as deep as it is said to be. */
export function SubjectShape({ drawing, frame, subject }: { drawing: Schema['DrawingView']; frame: Frame; subject: DrawnSubject }) {
    if (drawing.subjectMm === null || frame.broken) return null;
    const near = frame.x(drawing.subjectMm - subject.beforeMm);
    const deep = Math.max(1, subject.depthMm * frame.scale);
    // No taller than there is room for: a sheet of paper is cut off, as a frame would cut it.
    const half = Math.min((subject.widthMm / 2) * frame.scale, frame.ruleY - 16 - frame.axisY, frame.axisY - 56);
    return (
        <path
            d={`M${near} ${frame.axisY}C${near} ${frame.axisY - half * 0.7} ${near + deep * 0.3} ${frame.axisY - half} ${near + deep} ${frame.axisY - half}V${frame.axisY + half}C${near + deep * 0.3} ${frame.axisY + half} ${near} ${frame.axisY + half * 0.7} ${near} ${frame.axisY}Z`}
            fill="var(--soft)"
            fillOpacity={0.35}
            stroke="var(--ink)"
            strokeWidth={1}
            pointerEvents="none"
            data-subject
        />
    );
}
