import type { Schema } from '../../api/client';
import { strings } from '../../strings/index';

type Rig = Schema['ComparedRigView'];

const say = strings.compare;

/** Figures that go into a file: unrounded, in mm, g and ×, named as everywhere. */
const figures = [
    'magnification',
    'fieldWidthMm',
    'workingDistanceMm',
    'subjectDistanceMm',
    'effectiveAperture',
    'stopsLost',
    'depthOfFieldMm',
    'massG',
    'price',
    'joints',
] as const;

/** A cell as a file has it: quoted where a comma, a quote or a line would end it; what a table program would take for a formula is text. */
function cell(value: string | number | null | undefined): string {
    if (value === null || value === undefined) return '';
    if (typeof value === 'number') return String(value);
    const text = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
    return /[",\n\r]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}

/** Rigs in lines, as CSV (RFC 4180). */
export function csvOf(rigs: readonly Rig[]): string {
    const { letter, name, camera, parts, settings, met, yes, no } = say.column;
    const head = [letter, name, camera, parts, settings, met, ...figures, 'resolvedDetailMm', 'pixelsLeft', 'cropToMm', 'blurAtEdgeMm'];
    const lines = rigs.map((rig) => [
        rig.letter,
        rig.name,
        rig.cameraName,
        rig.title,
        rig.settings.join(' · '),
        rig.met ? yes : no,
        ...figures.map((each) => rig.readings[each]),
        rig.resolvedDetailMm,
        rig.pixelsLeft,
        rig.cropToMm,
        rig.blurAtEdgeMm,
    ]);
    return [head, ...lines].map((line) => `${line.map(cell).join(',')}\r\n`).join('');
}
