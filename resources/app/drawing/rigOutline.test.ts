import { describe, expect, test } from 'vitest';
import { commonScale, rigOutline } from './rigOutline';

type Rig = Parameters<typeof rigOutline>[0];

const part = (kind: string, rearMm: number, frontMm: number, rear: number, front: number) =>
    ({ kind, rearMm, frontMm, rearOuterMm: rear, frontOuterMm: front, outerMm: Math.max(rear, front) }) as Rig['drawn'][number];

/** A body 60 mm deep and 90 high, its sensor 20 mm behind the mount, a tube and a lens: tip 90 mm from the sensor. */
const rig: Rig = {
    body: { backMm: -40, frontMm: 20, heightMm: 90 } as Rig['body'],
    drawn: [part('tube', 20, 50, 60, 60), part('lens', 50, 90, 62, 56)],
    tipMm: 90,
    subjectDistanceMm: 190,
};

/** Corners of every closed box of the path. */
function boxes(path: string): { from: number; to: number; rear: number; front: number }[] {
    return [...path.matchAll(/M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)V([\d.-]+)L([\d.-]+) ([\d.-]+)Z/g)].map((found) => {
        const [from, rearTop, to, frontTop, frontFoot, , rearFoot] = found.slice(1).map(Number) as [
            number,
            number,
            number,
            number,
            number,
            number,
            number,
        ];
        return { from, to, rear: rearFoot - rearTop, front: frontFoot - frontTop };
    });
}

describe('a rig in a row', () => {
    test('stands true to scale, its subject in line', () => {
        const { path, tipX, broken } = rigOutline(rig, 0.5, 220, 40);
        expect(broken).toBe(false);
        expect(tipX).toBe(170);
        const [body, tube, lens] = boxes(path);
        expect(body).toEqual({ from: 170 - 65 - 0, to: 170 - 35, rear: 36, front: 36 });
        expect(tube).toEqual({ from: 135, to: 150, rear: 30, front: 30 });
        expect(lens).toEqual({ from: 150, to: 170, rear: 31, front: 28 });
    });

    test('what is further off than there is room for is drawn nearer and said to be, the rig as long as ever', () => {
        const far = rigOutline({ ...rig, subjectDistanceMm: 2000 }, 0.5, 220, 40);
        expect(far.broken).toBe(true);
        expect(far.tipX).toBe(220 - (220 - 65 - 4));
        const [body, , lens] = boxes(far.path);
        expect((lens?.to ?? 0) - (body?.from ?? 0)).toBeCloseTo(65, 6);
        expect(rigOutline({ ...rig, subjectDistanceMm: 2000 }, 0.5, 60, 40).tipX).toBe(48);
    });

    test('without an image its front stands where a subject would', () => {
        expect(rigOutline({ ...rig, subjectDistanceMm: null }, 0.5, 220, 40)).toMatchObject({ tipX: 220, broken: false });
    });

    test('bellows have teeth on both sides, more the longer they are', () => {
        const drawn = (frontMm: number) =>
            rigOutline(
                { ...rig, drawn: [part('bellows', 20, frontMm, 80, 80)], tipMm: frontMm, subjectDistanceMm: frontMm + 50 },
                0.5,
                220,
                40,
            ).path;
        expect(boxes(drawn(60))).toHaveLength(1);
        const points = (path: string) => (path.match(/L/g) ?? []).length;
        expect(points(drawn(100)) - points(drawn(60))).toBe(10);
    });

    test('however thin, it can be seen', () => {
        const [, thin] = boxes(rigOutline({ ...rig, drawn: [part('tube', 20, 90, 1, 1)] }, 0.5, 220, 40).path);
        expect(thin?.rear).toBe(4);
    });
});

describe('one scale for a list', () => {
    test('the longest and the tallest stand in, and none is larger than life', () => {
        const scale = commonScale([rig, { ...rig, tipMm: 260 }], 216, 60);
        expect(scale).toBeCloseTo((216 * 0.72) / 300, 9);
        expect(commonScale([rig], 216, 24)).toBeCloseTo(20 / 72, 9);
        expect(commonScale([{ ...rig, drawn: [part('lens', 20, 90, 144, 100)] }], 2000, 44)).toBeCloseTo(40 / 144, 9);
        expect(commonScale([rig], 5000, 5000)).toBe(1);
        expect(commonScale([], 216, 60)).toBeCloseTo(56 / 60, 9);
    });
});
