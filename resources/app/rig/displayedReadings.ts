import type { RigView, Schema, SweepView } from '../api/client';

/** A control that is being moved: its sweep, and the row where it stands. */
export interface ActiveSweep {
    sweep: SweepView;
    row: number;
}

export type ReadingName = keyof Pick<
    Schema['Readings'],
    | 'magnification'
    | 'fieldWidthMm'
    | 'fieldHeightMm'
    | 'workingDistanceMm'
    | 'subjectDistanceMm'
    | 'effectiveAperture'
    | 'stopsLost'
    | 'depthOfFieldMm'
    | 'waveDepthMm'
    | 'airyDiameterMm'
    | 'detailMm'
    | 'lightGapDeg'
    | 'entrancePupilMm'
    | 'nearMm'
    | 'farMm'
    | 'extensionMm'
    | 'imageCircleMm'
    | 'cornerBrightness'
    | 'momentAtMountNm'
    | 'momentAtFootNm'
    | 'fullFrameMagnification'
    | 'combinedFocalLengthMm'
    | 'planeTiltDeg'
    | 'fieldMovesMm'
>;

export interface DisplayedFinding {
    code: string;
    severity: string;
    index: number | null;
    pattern: string;
    numbers: Record<string, number | string>;
}

/** What the screen shows now: the rig as the server read it, or the row of the sweep under the hand. Only looked up. */
export interface DisplayedReadings {
    reading: (name: ReadingName) => number | null;
    halfWidth: (name: ReadingName) => number | null;
    /** What darkens the corner, by name. */
    cornerPart: string | null;
    findings: DisplayedFinding[];
    /** Where it is sharp. */
    focus: Schema['RigView']['focus'];
    drawing: Schema['DrawingView'];
}

/** Places of the parts whose joint does not fit. */
export function misfits(rig: RigView): ReadonlySet<number> {
    return new Set(rig.chain.filter((each) => !['mates', 'improvised', 'unknown'].includes(each.fit)).map((each) => each.index));
}

const rank: Record<string, number> = { stop: 0, warn: 1, note: 2 };

export function displayedReadings(rig: RigView, held: ActiveSweep | null): DisplayedReadings {
    if (!held) {
        const doubts = new Map(rig.doubts.map((doubt) => [doubt.reading, doubt.halfWidth]));
        return {
            reading: (name) => rig.readings[name],
            halfWidth: (name) => doubts.get(name) ?? null,
            cornerPart: rig.readings.cornerPart,
            findings: rig.findings,
            focus: rig.focus,
            drawing: rig.drawing,
        };
    }
    const { sweep, row } = held;
    return {
        // What the sweep hasn't got is nothing, unless it says that the control doesn't move it.
        reading: (name) => (sweep.still.includes(name) ? rig.readings[name] : (sweep.readings[name]?.[row] ?? null)),
        halfWidth: (name) => sweep.halfWidths[name]?.[row] ?? null,
        cornerPart: sweep.cornerParts.find(({ from, to }) => row >= from && row <= to)?.part ?? null,
        findings: sweep.findings
            .filter((finding) => row >= finding.from && row <= finding.to)
            .map((finding) => ({
                ...finding,
                numbers: {
                    ...finding.numbers,
                    ...Object.fromEntries(Object.entries(finding.columns).map(([name, column]) => [name, column[row - finding.from] ?? 0])),
                },
            }))
            .sort((a, b) => (rank[a.severity] ?? 3) - (rank[b.severity] ?? 3)),
        focus: sweep.focus.find(({ from, to }) => row >= from && row <= to)?.state ?? rig.focus,
        drawing: movedDrawing(rig.drawing, sweep, row),
    };
}

/** What is swung or shifted at a row of the sweep, whichever control is held. */
function movementAt(drawing: Schema['DrawingView'], sweep: SweepView, row: number, frontMm: number): Schema['DrawingMovement'] | null {
    const { movement } = drawing;
    const of = (name: 'planeTiltDeg' | 'fieldMovesMm') =>
        sweep.still.includes(name) ? (movement?.[name] ?? null) : (sweep.readings[name]?.[row] ?? null);
    const planeTiltDeg = of('planeTiltDeg');
    if (planeTiltDeg === null) return null;
    const set = sweep.positions[row] ?? 0;
    return {
        part: movement?.part ?? sweep.index,
        pivotMm:
            !movement || movement.part === sweep.index
                ? frontMm
                : movement.pivotMm + (movement.part > sweep.index ? frontMm - (drawing.parts[sweep.index]?.frontMm ?? frontMm) : 0),
        swingDeg: sweep.travel.endsWith('.swing') ? set : (movement?.swingDeg ?? 0),
        shiftMm: sweep.travel.endsWith('.shift') ? set : (movement?.shiftMm ?? 0),
        planeTiltDeg,
        fieldMovesMm: of('fieldMovesMm'),
    };
}

/** Parts with the moved one's front, and all before it, where the sweep says they stand. */
export function movedParts(parts: readonly Schema['DrawingPart'][], sweep: SweepView, row: number): Schema['DrawingPart'][] {
    const before = parts[sweep.index]?.frontMm ?? 0;
    const shift = (sweep.frontMm[row] ?? before) - before;
    return parts.map((part) =>
        part.index < sweep.index
            ? part
            : part.index === sweep.index
              ? { ...part, frontMm: part.frontMm + shift }
              : { ...part, rearMm: part.rearMm + shift, frontMm: part.frontMm + shift },
    );
}

/** The drawing with the moved part's front, and all before it, where the sweep says they stand. */
function movedDrawing(drawing: Schema['DrawingView'], sweep: SweepView, row: number): Schema['DrawingView'] {
    const before = drawing.parts[sweep.index]?.frontMm ?? 0;
    const shift = (sweep.frontMm[row] ?? before) - before;
    const subject = sweep.readings.subjectDistanceMm?.[row] ?? null;
    const pupil = sweep.readings.entrancePupilMm?.[row] ?? null;
    return {
        ...drawing,
        parts: movedParts(drawing.parts, sweep, row),
        groups: sweep.groups.map((group) => ({
            zi: group.zi[row] ?? 0,
            zo: group.zo[row] ?? 0,
            cone: group.cone[row] ?? null,
            chief: group.chief[row] ?? null,
        })),
        tipMm: sweep.tipMm[row] ?? drawing.tipMm,
        subjectMm: subject,
        entrancePupilMm: subject === null || pupil === null ? null : subject - pupil,
        balanceMm: shift === 0 ? drawing.balanceMm : null,
        cornerAtSubjectMm: null,
        movement: movementAt(drawing, sweep, row, before + shift),
    };
}
