import type { Schema } from '../api/client';
import { strings } from '../strings/index';
import { length, type Units } from '../ui/figures';
import { clearBaseline, crosses, outlines, textWidth } from './clear';
import type { Frame } from './frame';

type Drawing = Schema['DrawingView'];

/** Where the plane of focus is turned about, and how, when bellows are swung or shifted: its top leans to the camera as the front swings up. */
function tilted(drawing: Drawing, frame: Frame, at: number): { axisY: number; transform: string | undefined } {
    const { movement } = drawing;
    if (!movement) return { axisY: frame.axisY, transform: undefined };
    const off = frame.broken ? 0 : (movement.fieldMovesMm ?? 0) * frame.scale;
    const axisY = Math.max(56, Math.min(frame.ruleY - 16, frame.axisY - off));
    return { axisY, transform: `translate(0 ${axisY - frame.axisY}) rotate(${-movement.planeTiltDeg} ${at} ${frame.axisY})` };
}

/** The sharp slice on either side of the plane of focus. */
export function Slice({
    drawing,
    frame,
    nearMm,
    farMm,
    strong,
}: {
    drawing: Drawing;
    frame: Frame;
    nearMm: number | null;
    farMm: number | null;
    strong: boolean;
}) {
    if (drawing.subjectMm === null || nearMm === null || frame.broken) return null;
    const from = frame.x(drawing.subjectMm - nearMm);
    const to = farMm === null ? frame.width : frame.x(drawing.subjectMm + farMm);
    const half = Math.max(26, drawing.tipDiameterMm * 0.62);
    return (
        <rect
            x={Math.min(from, to - 1)}
            y={frame.y(half)}
            width={Math.max(1, to - from)}
            height={frame.y(-half) - frame.y(half)}
            fill="var(--madder)"
            opacity={strong ? 0.45 : 0.2}
            pointerEvents="none"
            transform={tilted(drawing, frame, frame.x(drawing.subjectMm)).transform}
        />
    );
}

interface PlaneProps {
    drawing: Drawing;
    frame: Frame;
    workingDistanceMm: number | null;
    lightGapDeg: number | null;
    /** null = where it is sharp isn't known yet, and nothing is said of it. */
    focus: Schema['RigView']['focus'] | null;
    units: Units;
}

/** Plane of focus, working distance, and the angle from which light still gets in. No text lies on an outline. */
export function SubjectPlane({ drawing, frame, workingDistanceMm, lightGapDeg, focus, units }: PlaneProps) {
    const { x, y } = frame;
    if (focus === null) return null;
    if (drawing.subjectMm === null || workingDistanceMm === null) return <NoPlane drawing={drawing} frame={frame} focus={focus} />;
    const tip = x(drawing.tipMm);
    const rim = y(drawing.tipDiameterMm / 2);
    const at = frame.subjectX ?? x(drawing.subjectMm);
    const boxes = outlines(drawing, frame);
    const half = Math.max(26, drawing.tipDiameterMm * 0.62);
    const top = Math.max(52, y(half));
    const bottom = Math.min(frame.ruleY - 12, y(-half));
    const dimension = Math.max(top + 18, rim - 14);
    const narrow = Math.abs(at - tip) < 84;
    const inside = workingDistanceMm < 0;
    const plane = tilted(drawing, frame, at);

    const said = length(workingDistanceMm, units);
    const wide = textWidth(said, 13);
    // Between tip and plane where it has room; else beyond the plane; right at the edge before it, above whatever stands there.
    const edge = narrow && Math.max(at, tip) + 6 + wide > frame.width;
    const left = !narrow ? (tip + at - wide) / 2 : edge ? Math.min(at, tip) - 6 - wide : Math.max(at, tip) + 6;
    const baseline = clearBaseline(boxes, left, left + wide, narrow ? dimension + 4 : dimension - 6, 13);

    const name = strings.bench.focusPlane;
    const nameWide = textWidth(name, 12);
    // Over the upper end of the plane, wherever it leans.
    const lean = ((drawing.movement?.planeTiltDeg ?? 0) * Math.PI) / 180;
    const end = { x: at - Math.sin(lean) * (frame.axisY - top), y: plane.axisY - Math.cos(lean) * (frame.axisY - top) };
    const nameLeft = Math.min(end.x - nameWide / 2, frame.width - nameWide - 2);
    const nameAt = clearBaseline(boxes, nameLeft, nameLeft + nameWide, Math.max(50, Math.min(end.y - 6, dimension - 24)), 12);

    const gap = `${Math.round(lightGapDeg ?? 0)}°`;
    const gapAt = frame.axisY - 14;
    const gapFits = !boxes.some((box) =>
        crosses(box, { left: at - 6 - textWidth(gap, 11), right: at - 6, top: gapAt - 11, bottom: gapAt + 3 }),
    );
    return (
        <g>
            <path d={`M${at} ${top}V${bottom}`} stroke="var(--madder)" strokeWidth={2} transform={plane.transform} data-plane />
            <text transform={`translate(${nameLeft} ${nameAt})`} fontSize={12} fill="var(--madder)">
                {name}
            </text>
            <path d={`M${tip} ${rim}V${dimension - 6}`} stroke="var(--soft)" strokeWidth={0.7} />
            <path d={`M${tip} ${dimension}H${at}`} stroke="var(--ink)" strokeWidth={1} />
            {!inside && Math.abs(at - tip) > 22 && (
                <path
                    d={`M${tip + 9} ${dimension - 3.5}L${tip} ${dimension}L${tip + 9} ${dimension + 3.5}ZM${at - 9} ${dimension - 3.5}L${at} ${dimension}L${at - 9} ${dimension + 3.5}Z`}
                    fill="var(--ink)"
                />
            )}
            {frame.broken && (
                <path
                    d={`M${(tip + at) / 2 + 22} ${frame.axisY - 16}l-8 11 8 10 -8 11`}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth={1.4}
                />
            )}
            <g className="figures">
                <text transform={`translate(${left} ${baseline})`} fontSize={13} fontWeight={600} fill="var(--ink)" data-dimension>
                    {said}
                </text>
            </g>
            {!frame.broken && !inside && lightGapDeg !== null && lightGapDeg < 88 && (
                <>
                    <path
                        d={`M${at} ${plane.axisY}L${tip} ${rim}`}
                        stroke="var(--verdigris)"
                        strokeWidth={1}
                        strokeDasharray="2 3"
                        fill="none"
                    />
                    {gapFits && (
                        <text
                            transform={`translate(${at - 6} ${gapAt})`}
                            fontSize={11}
                            textAnchor="end"
                            fill="var(--verdigris)"
                            className="figures"
                        >
                            {gap}
                        </text>
                    )}
                </>
            )}
        </g>
    );
}

/** Sharp at no distance that could be drawn. */
function NoPlane({ drawing, frame, focus }: { drawing: Drawing; frame: Frame; focus: Schema['RigView']['focus'] }) {
    const end = frame.subjectX ?? frame.x(frame.lastMm);
    return (
        <g>
            <path
                d={`M${end - 14} ${frame.axisY - 5}L${end} ${frame.axisY}L${end - 14} ${frame.axisY + 5}`}
                fill="none"
                stroke="var(--madder)"
                strokeWidth={1.6}
            />
            <NoPlaneSaid
                text={drawing.groups.length === 0 ? strings.bench.noDistance.never : strings.bench.noDistance[focus]}
                end={end}
                drawing={drawing}
                frame={frame}
            />
        </g>
    );
}

function NoPlaneSaid({ text, end, drawing, frame }: { text: string; end: number; drawing: Drawing; frame: Frame }) {
    const baseline = clearBaseline(outlines(drawing, frame), end - textWidth(text, 12), end, frame.axisY - 12, 12);
    return (
        <text x={end} y={baseline} fontSize={12} textAnchor="end" fill="var(--ink)">
            {text}
        </text>
    );
}
