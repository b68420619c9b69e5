import type { Schema } from '../../../api/client';
import { light as lightWords } from '../../../strings/light';
import { length, type Units } from '../../../ui/figures';

interface Props {
    shots: Schema['ShotsView'];
    units: Units;
}

const width = 250;
const height = 118;
const left = 34;
const right = 12;
const top = 20;
const bottom = 92;

/** Planes of the way that is planned, mm behind the nearest point of the subject. */
export function planesOf(shots: Schema['ShotsView']): number[] {
    const depth = shots.depthMm ?? 0;
    if (shots.by === 'single') return [depth * (shots.focusedAt ?? 0.5)];
    const planes = (all: readonly number[]) => all.map((each) => each - (all[0] ?? 0));
    if (shots.by === 'ring' && shots.ring) return planes(shots.ring.frames.map(({ planeMm }) => planeMm));
    if (shots.by === 'bracketing' && shots.bracketing) return planes(shots.bracketing.planesMm);
    if (shots.rail) return shots.rail.at.map(({ mm }) => mm);
    if (shots.frames === null || shots.sliceMm === null) return [];
    const step = shots.sliceMm * (1 - shots.overlap);
    return Array.from({ length: Math.min(shots.frames, 2000) }, (_, n) => Math.min(n * step, depth));
}

/** The subject from the side at its own scale, and where each slice falls in it. */
export function SubjectSide({ shots, units }: Props) {
    const say = lightWords.shots;
    const depth = shots.depthMm;
    if (depth === null || depth <= 0) return null;
    const slice = shots.sliceMm ?? 0;
    const planes = planesOf(shots);
    // Half a slice stands out on either side.
    const first = -slice / 2;
    const last = Math.max(depth, planes[planes.length - 1] ?? 0) + slice / 2;
    const x = (mm: number) => left + ((width - left - right) * (mm - first)) / (last - first);
    const middle = (top + bottom) / 2;
    const half = (bottom - top) / 2 - 4;
    const sag = shots.sagMm ?? 0;
    // A curved one bulges to the camera by its sag; what else it has of depth stands behind.
    const shape =
        sag > 0
            ? `M${x(sag)} ${middle - half}Q${2 * x(0) - x(sag)} ${middle} ${x(sag)} ${middle + half}H${x(depth)}V${middle - half}Z`
            : `M${x(0)} ${middle}Q${x(0)} ${middle - half} ${x(depth / 2)} ${middle - half}T${x(depth)} ${middle}T${x(depth / 2)} ${middle + half}T${x(0)} ${middle}Z`;
    const few = planes.length <= 40;
    // As many as still lie apart are drawn.
    const apart = planes.length <= 90;
    return (
        <figure className="shrink-0">
            <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={say.side}>
                <path d={`M4 ${middle - 12}h12v-5h8v34h-8v-5H4Z`} fill="none" stroke="var(--soft)" strokeWidth={1.2} />
                <path d={shape} fill="var(--soft)" fillOpacity={0.25} stroke="var(--ink)" strokeWidth={1.2} />
                {few &&
                    slice > 0 &&
                    planes.map((plane, n) => (
                        <rect
                            key={n}
                            x={x(plane - slice / 2)}
                            y={top - 4}
                            width={Math.max(1, x(plane + slice / 2) - x(plane - slice / 2))}
                            height={bottom - top + 8}
                            fill="var(--madder)"
                            opacity={0.16}
                            data-slice
                        />
                    ))}
                {!few && (
                    <rect
                        x={x(first)}
                        y={top - 4}
                        width={x(last) - x(first)}
                        height={bottom - top + 8}
                        fill="var(--madder)"
                        opacity={0.2}
                    />
                )}
                {planes.map((plane, n) =>
                    apart || n === 0 || n === planes.length - 1 ? (
                        <path
                            key={n}
                            d={`M${x(plane)} ${top - 8}V${bottom + 8}`}
                            stroke="var(--madder)"
                            strokeWidth={few ? 1.2 : 0.6}
                            data-plane
                        />
                    ) : null,
                )}
                <path
                    d={`M${x(0)} ${bottom + 10}V${bottom + 16}M${x(depth)} ${bottom + 10}V${bottom + 16}M${x(0)} ${bottom + 13}H${x(depth)}`}
                    stroke="var(--ink)"
                />
                <text x={(x(0) + x(depth)) / 2} y={height - 1} fontSize={11} textAnchor="middle" className="figures" fill="var(--ink)">
                    {length(depth, units)}
                </text>
                <text x={x(0)} y={9} fontSize={11} textAnchor="middle" fill="var(--soft)">
                    {say.nearest}
                </text>
            </svg>
        </figure>
    );
}
