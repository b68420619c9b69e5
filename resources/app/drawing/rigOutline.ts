import type { Schema } from '../api/client';

type Rig = Pick<Schema['FoundRig'], 'body' | 'drawn' | 'tipMm' | 'subjectDistanceMm'>;

/** Teeth of bellows cloth, px each. */
const tooth = 4;

/**
 * A whole rig as one outline, its subject plane at x = `subjectX`: every row of a list drawn so has its subject in line.
 * What stands further off than there is room for is drawn nearer, and said to be.
 */
export function rigOutline(rig: Rig, scale: number, subjectX: number, axisY: number): { path: string; tipX: number; broken: boolean } {
    const distance = rig.subjectDistanceMm ?? rig.tipMm;
    const back = -rig.body.backMm;
    const length = rig.tipMm + back;
    // The rig keeps its scale; only the air before it is cut short.
    const air = Math.min((distance - rig.tipMm) * scale, Math.max(12, subjectX - length * scale - 4));
    const broken = air < (distance - rig.tipMm) * scale - 0.5;
    const tipX = subjectX - air;
    const x = (mm: number) => tipX - (rig.tipMm - mm) * scale;
    const half = (mm: number) => Math.max(2, (mm * scale) / 2);
    const n = (value: number) => value.toFixed(1);
    const box = (from: number, to: number, rear: number, front: number) =>
        `M${n(x(from))} ${n(axisY - half(rear))}L${n(x(to))} ${n(axisY - half(front))}V${n(axisY + half(front))}L${n(x(from))} ${n(axisY + half(rear))}Z`;
    let path = box(-back, rig.body.frontMm, rig.body.heightMm * 0.8, rig.body.heightMm * 0.8);
    for (const part of rig.drawn) {
        if (part.kind !== 'bellows') {
            path += box(part.rearMm, part.frontMm, part.rearOuterMm, part.frontOuterMm);
            continue;
        }
        const from = x(part.rearMm);
        const width = x(part.frontMm) - from;
        const teeth = Math.max(2, Math.round(width / tooth));
        const high = half(part.outerMm);
        for (const side of [-1, 1]) {
            path += `M${n(from)} ${n(axisY + side * high)}`;
            for (let k = 1; k <= teeth; k++)
                path += `L${n(from + (width * k) / teeth)} ${n(axisY + side * (k % 2 === 1 ? high * 0.82 : high))}`;
        }
        path += `M${n(from)} ${n(axisY - high)}V${n(axisY + high)}M${n(from + width)} ${n(axisY - high)}V${n(axisY + high)}`;
    }
    return { path, tipX, broken };
}

/** Pixels per mm that let the longest of some rigs stand in a width, with room before each; no more than the most. */
export function commonScale(rigs: readonly Rig[], width: number, height: number, most = 1): number {
    const longest = Math.max(80, ...rigs.map((rig) => rig.tipMm - rig.body.backMm));
    const tallest = Math.max(60, ...rigs.map((rig) => Math.max(rig.body.heightMm * 0.8, ...rig.drawn.map((part) => part.outerMm))));
    return Math.min((width * 0.72) / longest, (height - 4) / tallest, most);
}
