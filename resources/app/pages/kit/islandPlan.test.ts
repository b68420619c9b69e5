import { describe, expect, test } from 'vitest';
import type { Schema } from '../../api/client';
import { boxWidth, counted, linesOf, linkText, planOf } from './islandPlan';

describe('the joint map', () => {
    const end = (spoken: string): Schema['MapEnd'] => ({ joint: spoken, spoken }) as Schema['MapEnd'];
    const part = (name: string, kind: Schema['MapPart']['kind'], rear: string | null, front: string | null): Schema['MapPart'] => ({
        id: name.length,
        name,
        kind,
        rear: rear === null ? null : end(rear),
        front: front === null ? null : end(front),
    });
    const island = {
        cameras: [part('Body A', 'camera', null, 'Tern')],
        parts: [
            part('Tern to Larch', 'adapter', 'Tern', 'Larch'),
            part('Rail bellows', 'bellows', 'Larch', 'Larch'),
            part('Ring 52', 'reversing-ring', 'Larch', 'M52'),
            part('Other ring 52', 'reversing-ring', 'Larch', 'M52'),
            part('A third ring of a long name', 'reversing-ring', 'Larch', 'M52'),
            part('Close-up 1', 'close-up-lens', 'M52', 'M52'),
            part('Close-up 2', 'close-up-lens', 'M52', 'M52'),
        ],
    } as unknown as Schema['IslandView'];

    test('a column for each step from the camera, boxes of one column never in each other', () => {
        const plan = planOf(island);
        const at = (spoken: string) => plan.boxes.find((box) => box.spoken === spoken);
        expect(plan.boxes).toHaveLength(3);
        expect(at('Tern')?.x).toBe(0);
        expect(at('Larch')?.x).toBeGreaterThan(boxWidth);
        expect(at('M52')?.x).toBeGreaterThan(at('Larch')?.x ?? 0);
        for (const box of plan.boxes) {
            expect(box.x + boxWidth).toBeLessThanOrEqual(plan.width);
            expect(box.y + box.height).toBeLessThanOrEqual(plan.height);
        }
        for (const link of plan.links) expect(link.x2).toBeGreaterThan(link.x1);
    });

    test('boxes and lines say what is there: by name while that is short, else by kind', () => {
        const plan = planOf(island);
        const glass = plan.boxes.find((box) => box.spoken === 'M52');
        expect(glass && linesOf(glass)).toEqual(['2 close-up lenses']);
        const lines = plan.links.map(linkText);
        expect(lines).toContain('Tern to Larch');
        expect(lines).toContain('3 reversing rings');
        expect(counted('bellows', 2)).toBe('2 bellows');
        expect(counted('tube', 1)).toBe('1 tube');
    });

    test('an island without a camera begins somewhere all the same', () => {
        const plan = planOf({ cameras: [], parts: [part('Step', 'step-ring', 'M52', 'M58')] } as unknown as Schema['IslandView']);
        expect(plan.boxes.map((box) => box.x).sort((a, b) => a - b)[0]).toBe(0);
        expect(plan.links).toHaveLength(1);
        expect(planOf({ cameras: [], parts: [] } as unknown as Schema['IslandView']).boxes).toEqual([]);
    });
});
