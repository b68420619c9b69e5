import type { Schema } from '../api/client';
import type { Frame } from './frame';
import { PartShape } from './shapes';

/** A part's outline at a given scale (pixels per mm), as it lies in the tray. */
export function PartSilhouette({ part, scale }: { part: Schema['PartView']; scale: number }) {
    const { silhouette } = part;
    const tallest = 78 / scale;
    const shrink = Math.min(1, tallest / silhouette.outerMm, 150 / silhouette.lengthMm);
    const px = scale * shrink;
    const width = Math.max(6, silhouette.lengthMm * px) + 4;
    const height = silhouette.outerMm * px + 6;
    const frame: Frame = {
        width,
        height,
        scale: px,
        x: (mm) => 2 + mm * px,
        y: (mm) => height / 2 - mm * px,
        broken: false,
        subjectX: null,
        axisY: height / 2,
        ruleY: height,
        lastMm: silhouette.lengthMm,
    };
    return (
        <svg width={width} height={height} aria-hidden="true">
            {part.inChain ? (
                <PartShape
                    frame={frame}
                    part={{
                        place: 0,
                        kind: part.kind,
                        label: part.name,
                        reversed: false,
                        rearMm: 0,
                        frontMm: silhouette.lengthMm,
                        outerMm: silhouette.outerMm,
                        frontOuterMm: silhouette.frontOuterMm,
                        rearOuterMm: silhouette.rearOuterMm,
                        estimated: false,
                        design: silhouette.design,
                        elements: 1,
                        planeMm: null,
                        stopMm: null,
                        footMm: null,
                        contacts: false,
                        minMm: silhouette.lengthMm,
                        maxMm: silhouette.lengthMm,
                    }}
                />
            ) : (
                <rect
                    x={2}
                    y={height * 0.25}
                    width={width - 4}
                    height={height * 0.5}
                    fill="none"
                    stroke="var(--ink)"
                    strokeDasharray="3 2"
                />
            )}
        </svg>
    );
}
