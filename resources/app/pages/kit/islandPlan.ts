import { kindWords } from '../../ui/figures';
import type { Schema } from '../../api/client';

export interface JointBox {
    joint: string;
    spoken: string;
    cameras: Schema['MapPart'][];
    /** Parts that stay within this standard, or end here. */
    home: Schema['MapPart'][];
    x: number;
    y: number;
    height: number;
}

export interface JointLink {
    from: JointBox;
    to: JointBox;
    parts: Schema['MapPart'][];
    /** Where the line leaves the one box and comes to the other, and how its label stands there. */
    x1: number;
    y1: number;
    x2: number;
    y2: number;
    /** Both boxes stand in one column: the line bows out beside them. */
    beside: boolean;
}

export interface IslandPlan {
    boxes: JointBox[];
    links: JointLink[];
    width: number;
    height: number;
}

export const boxWidth = 176;
const columnGap = 236;
const rowGap = 22;
const entryGap = 22;
const lineHeight = 17;

/** Boxes of joints in columns by how far they are from a camera, links of the parts that lead from one to another. */
export function planOf(island: Schema['IslandView']): IslandPlan {
    const boxes = new Map<string, JointBox>();
    const box = (end: Schema['MapEnd']) => {
        const there = boxes.get(end.spoken) ?? { joint: end.joint, spoken: end.spoken, cameras: [], home: [], x: 0, y: 0, height: 0 };
        boxes.set(end.spoken, there);
        return there;
    };
    const links = new Map<string, JointLink>();
    for (const camera of island.cameras) if (camera.front) box(camera.front).cameras.push(camera);
    for (const part of island.parts) {
        const from = part.rear && box(part.rear);
        const to = part.front && box(part.front);
        if (from && to && from !== to) {
            const key = [from.spoken, to.spoken].join('\n');
            const link = links.get(key) ?? { from, to, parts: [], x1: 0, y1: 0, x2: 0, y2: 0, beside: false };
            link.parts.push(part);
            links.set(key, link);
        } else {
            (from ?? to)?.home.push(part);
        }
    }
    const depth = new Map<JointBox, number>();
    const all = [...boxes.values()];
    let edge = all.filter((each) => each.cameras.length > 0);
    if (edge.length === 0) edge = all.slice(0, 1);
    for (let level = 0; edge.length > 0; level++) {
        for (const each of edge) depth.set(each, level);
        edge = [...links.values()]
            .flatMap(
                ({ from, to }) =>
                    [
                        [from, to],
                        [to, from],
                    ] as const,
            )
            .filter(([from, to]) => depth.get(from) === level && !depth.has(to))
            .map(([, to]) => to)
            .filter((each, i, list) => list.indexOf(each) === i);
        if (edge.length === 0) {
            const left = all.find((each) => !depth.has(each));
            if (left) edge = [left];
        }
    }
    // A line runs from the nearer column to the further one, whichever way round its part goes.
    for (const link of links.values()) {
        if ((depth.get(link.from) ?? 0) > (depth.get(link.to) ?? 0)) [link.from, link.to] = [link.to, link.from];
        link.beside = depth.get(link.from) === depth.get(link.to);
    }
    const into = (each: JointBox) => [...links.values()].filter((link) => link.to === each && !link.beside);
    const columns = new Map<number, JointBox[]>();
    for (const each of all) {
        const level = depth.get(each) ?? 0;
        columns.set(level, [...(columns.get(level) ?? []), each]);
    }
    let height = 0;
    for (const [level, column] of columns) {
        // Those with most to them first; boxes of one column stand under each other.
        column.sort((a, b) => b.cameras.length - a.cameras.length || b.home.length - a.home.length || a.spoken.localeCompare(b.spoken));
        let y = 0;
        for (const each of column) {
            each.x = level * (boxWidth + columnGap);
            each.y = y;
            // Tall enough for its own lines, and for a line of its own for each that comes in.
            each.height = Math.max(32 + lineHeight * linesOf(each).length, entryGap * into(each).length + 14);
            y += each.height + rowGap;
        }
        height = Math.max(height, y - rowGap);
    }
    for (const each of all) {
        const coming = into(each).sort((a, b) => a.from.y - b.from.y);
        coming.forEach((link, i) => {
            link.x1 = link.from.x + boxWidth;
            link.y1 = link.from.y + link.from.height / 2;
            link.x2 = each.x;
            link.y2 = each.y + each.height / 2 + (i - (coming.length - 1) / 2) * entryGap;
        });
    }
    const besides = [...links.values()].filter((link) => link.beside);
    besides.forEach((link, i) => {
        link.x1 = link.x2 = link.from.x + boxWidth;
        link.y1 = link.from.y + link.from.height - 10;
        link.y2 = link.to.y + 14 + (i % 2) * 8;
    });
    const width = Math.max(...all.map((each) => each.x), 0) + boxWidth + (besides.length > 0 ? 150 : 0);
    return { boxes: all, links: [...links.values()], width, height };
}

/** What a box says under its name: cameras by name, the rest by kind and number. */
export function linesOf(box: JointBox): string[] {
    const kinds = new Map<string, number>();
    for (const part of box.home) kinds.set(part.kind, (kinds.get(part.kind) ?? 0) + 1);
    return [...box.cameras.map((camera) => camera.name), ...[...kinds].map(([kind, count]) => counted(kind, count))];
}

export function counted(kind: string, count: number): string {
    const word = kindWords(kind);
    const plural = word.endsWith('lens') ? `${word}es` : word === 'bellows' ? word : `${word}s`;
    return `${count} ${count === 1 ? word : plural}`;
}

/** What a link says: one or two names, else how many of which kind. */
export function linkText(link: JointLink): string {
    if (link.parts.length <= 2 && link.parts.map((part) => part.name).join().length < 30)
        return link.parts.map((part) => part.name).join(' + ');
    const kinds = new Map<string, number>();
    for (const part of link.parts) kinds.set(part.kind, (kinds.get(part.kind) ?? 0) + 1);
    return [...kinds].map(([kind, count]) => counted(kind, count)).join(' + ');
}
