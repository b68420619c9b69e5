import type { Schema } from '../api/client';

type Drawing = Schema['DrawingView'];

/** A part as the kit knows it, and which way round it goes on. */
export interface Lying {
    part: Schema['PartView'];
    reversed: boolean;
}

/** A part at its shortest with its rear at a place, as far as its outline tells. */
export function lyingAt({ part, reversed }: Lying, index: number, rearMm: number): Drawing['parts'][number] {
    const { silhouette } = part;
    return {
        index,
        kind: part.kind,
        label: part.name,
        reversed,
        rearMm,
        frontMm: rearMm + silhouette.lengthMm,
        outerMm: silhouette.outerMm,
        frontOuterMm: reversed ? silhouette.rearOuterMm : silhouette.frontOuterMm,
        rearOuterMm: reversed ? silhouette.frontOuterMm : silhouette.rearOuterMm,
        estimated: false,
        design: silhouette.design,
        elements: 1,
        planeMm: null,
        stopMm: null,
        footMm: null,
        contacts: false,
        minMm: silhouette.lengthMm,
        maxMm: silhouette.longestMm ?? silhouette.lengthMm,
    };
}

const moved = (mm: number | null, by: number): number | null => (mm === null ? null : mm + by);

/**
 * A rig as it will stand once parts have been taken off at a place and others put there: metal only. Where light goes then is worked out
 * elsewhere; until it is, nothing is drawn of it.
 */
export function askedDrawing(drawing: Drawing, index: number, off: number, on: readonly Lying[]): Drawing {
    const behind = drawing.parts.slice(0, index);
    const start = behind.at(-1)?.frontMm ?? drawing.camera.frontMm;
    const before = drawing.parts[index + off - 1];
    const put: Drawing['parts'] = [];
    let end = start;
    for (const each of on) {
        const part = lyingAt(each, index + put.length, end);
        put.push(part);
        end = part.frontMm;
    }
    const by = end - (off > 0 && before ? before.frontMm : start);
    const carried = drawing.parts.slice(index + off).map((part) => ({
        ...part,
        index: part.index - off + on.length,
        rearMm: part.rearMm + by,
        frontMm: part.frontMm + by,
        planeMm: moved(part.planeMm, by),
        stopMm: moved(part.stopMm, by),
        footMm: moved(part.footMm, by),
    }));
    const parts = [...behind, ...put, ...carried];
    return {
        ...drawing,
        parts,
        groups: [],
        tipMm: Math.max(drawing.camera.frontMm, ...parts.map((part) => part.frontMm)),
        tipDiameterMm: parts.at(-1)?.frontOuterMm ?? drawing.tipDiameterMm,
        subjectMm: null,
        cornerAtSubjectMm: null,
        entrancePupilMm: null,
        balanceMm: null,
        movement: null,
    };
}
