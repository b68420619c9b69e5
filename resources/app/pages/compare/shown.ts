import type { Schema } from '../../api/client';
import { between } from '../../picture/layers';
import type { Shot } from '../../picture/paint';
import { movedParts } from '../../rig/displayedReadings';
import type { Held } from './inHand';

export type Rig = Schema['ComparedRigView'];
type Target = Schema['TargetView'];

/** The readings that a sweep tells and a comparison shows. */
const told = [
    'magnification',
    'fieldWidthMm',
    'fieldHeightMm',
    'workingDistanceMm',
    'effectiveAperture',
    'stopsLost',
    'depthOfFieldMm',
    'entrancePupilMm',
] as const;

/** A rig as it stands at a row of its sweep: what the server would say of it is only looked up. */
export function moved(rig: Rig, held: Held | null, target: Target): Rig {
    if (held?.id !== rig.id) return rig;
    const { row, sweep } = held;
    const of = sweep.sweep;
    const at = (name: string): number | null => of.readings[name]?.[row] ?? null;
    const readings = { ...rig.readings };
    const halfWidths = { ...rig.halfWidths };
    for (const name of told) readings[name] = at(name);
    for (const name of Object.keys(halfWidths)) {
        const half = of.halfWidths[name]?.[row];
        if (half != null) halfWidths[name] = half;
    }
    const [nearScale, nearDiscMm, farScale, farDiscMm] = [sweep.nearScale, sweep.nearDiscMm, sweep.farScale, sweep.farDiscMm].map(
        (column) => column[row] ?? null,
    );
    const isImaged = nearScale != null && nearDiscMm != null && farScale != null && farDiscMm != null;
    return {
        ...rig,
        readings,
        halfWidths,
        drawn: movedParts(rig.drawn, of, row),
        tipMm: of.tipMm[row] ?? rig.tipMm,
        subjectDistanceMm: at('subjectDistanceMm'),
        resolvedDetailMm: sweep.resolvedDetailMm[row] ?? null,
        gaussianMm: sweep.gaussianMm[row] ?? null,
        layers: isImaged ? between({ nearScale, nearDiscMm, farScale, farDiscMm }, target, readings.depthOfFieldMm) : [],
        // What it comes to by then is told when the hand lets go.
        findings: [],
        adds: [],
        met: true,
        cropToMm: null,
        pixelsLeft: rig.columns > 0 ? rig.columns : null,
    };
}

/** What a rig makes of the target, so wide; null where it images nothing. */
export function shotOf(rig: Rig, target: Target, shownMm: number | null = null): Shot | null {
    const { magnification, fieldWidthMm } = rig.readings;
    if (magnification === null || magnification <= 0 || fieldWidthMm === null || rig.gaussianMm === null || rig.layers.length === 0)
        return null;
    return {
        target,
        layers: rig.layers,
        magnification,
        gaussianMm: rig.gaussianMm,
        brightness: rig.brightness,
        fieldMm: fieldWidthMm,
        shownMm: Math.min(shownMm ?? fieldWidthMm, fieldWidthMm),
    };
}

/** The narrowest field of all, mm; null where none has one. */
export function smallest(rigs: readonly Rig[]): number | null {
    const fields = rigs.map((rig) => rig.readings.fieldWidthMm).filter((mm): mm is number => mm !== null && mm > 0);
    return fields.length === 0 ? null : Math.min(...fields);
}

/** How high a rig's picture is for its width. */
export const aspect = (rig: Rig): number => (rig.readings.fieldHeightMm ?? 2) / (rig.readings.fieldWidthMm ?? 3);
