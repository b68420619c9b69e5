import type { Schema } from '../api/client';
import { lyingAt } from './asked';
import type { Frame } from './frame';
import { OtherShape } from './OtherShape';
import { PartShape } from './shapes';

interface Props {
    part: Schema['PartView'];
    /** Pixels per mm. */
    scale: number;
    /** Pixels a part may be high; a higher one is drawn smaller, whole. */
    tallest?: number;
    /** Whether the way of a moving part is shown beside it. */
    travel?: boolean;
}

/** A part's outline at a given scale, as it lies on the shelf or in the tray. */
export function PartSilhouette({ part, scale, tallest = 78, travel = false }: Props) {
    const { silhouette } = part;
    if (!part.inChain) return <OtherShape kind={part.kind} silhouette={silhouette} scale={scale} tallest={tallest} />;
    const way = travel && silhouette.longestMm !== null ? silhouette.longestMm - silhouette.lengthMm : 0;
    const shrink = Math.min(1, tallest / scale / silhouette.outerMm, 170 / (silhouette.lengthMm + way));
    const px = scale * shrink;
    const body = Math.max(6, silhouette.lengthMm * px) + 4;
    const width = body + way * px;
    const height = silhouette.outerMm * px + 6;
    const frame: Frame = {
        width: body,
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
        <svg width={width + 2} height={height} aria-hidden="true">
            <PartShape frame={frame} part={lyingAt({ part, reversed: false }, 0, 0)} />
            {way > 0 && (
                <g stroke="var(--brass)" fill="none">
                    <path d={`M${body} ${height / 2}H${width}`} strokeDasharray="3 2" />
                    <path d={`M${width} ${height / 2 - 7}V${height / 2 + 7}`} strokeWidth="1.5" />
                </g>
            )}
        </svg>
    );
}
