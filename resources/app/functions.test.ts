import { describe, expect, test } from 'vitest';
import { readFileSync } from 'node:fs';
import type { PartFields, Schema, TravelView } from './api/client';
import { frameOf } from './drawing/frame';
import { digits, fNumber, kindWords, length, lengthDigits, magnification, mass, phrase, ratio, stops } from './figures';
import { said, typedValue } from './places/bench/ownScale';
import { commonScale, rigOutline } from './places/find/rigOutline';
import { addressOf, asked, clauses, emptied, fromBlank, inBlank, isComplete, limits, targetOf, targets, wishIn } from './places/find/wish';
import { halfWidthOf, jointSpoken, jointTyped, valueAt, withHalfWidth, withValue } from './places/kit/fields';
import { boxWidth, counted, linesOf, linkText, planOf } from './places/kit/islandPlan';
import { typed, typedNumber } from './typed';

/** What the screens work out by themselves: words, blanks and places on the paper. No page is opened. */

describe('figures', () => {
    const table = JSON.parse(readFileSync(new URL('../../core/tests/cases/phrases.json', import.meta.url), 'utf8')) as [
        string,
        number,
        string,
        string,
    ][];
    test('every number is said as the core says it', () => {
        expect(table.length).toBeGreaterThan(30);
        for (const [what, value, unit, expected] of table)
            expect(phrase(unit ? `{x:${unit}}` : '{x}', { x: value }, 'mm'), what).toBe(expected);
    });

    test('each unit has its own function too', () => {
        expect(digits(54.92)).toBe('54.9');
        expect(magnification(2.0226)).toBe('2.02×');
        expect(fNumber(38.476)).toBe('f/38');
        expect(stops(-0.66)).toBe('−⅔ stop');
    });

    test('inches keep the precision of the millimetres they stand for', () => {
        expect(lengthDigits(54.92, 'in')).toBe('2.16');
        expect(lengthDigits(0.018, 'in')).toBe('0.00071');
        expect(lengthDigits(25.4, 'in')).toBe('1');
        expect(lengthDigits(254 * 12, 'in')).toBe('120');
        expect(length(25.4, 'in')).toBe('1\u2009in');
        expect(phrase('{room:mm} left', { room: 25.4 }, 'in')).toBe('1\u2009in left');
    });

    test('what a sentence lacks stays empty, and words go in as they are', () => {
        expect(phrase('{part} and {missing:mm}.', { part: 'Tube {x}' }, 'mm')).toBe('Tube {x} and .');
    });

    test('ratios, masses and kinds in words', () => {
        expect(ratio(0)).toBe('1 : ∞');
        expect(ratio(0.625)).toBe('1 : 1.6');
        expect(ratio(1)).toBe('1 : 1');
        expect(ratio(3.9)).toBe('3.9 : 1');
        expect(ratio(0.002)).toBe('1 : 500');
        expect(mass(640.4)).toBe('640\u2009g');
        expect(mass(1640)).toBe('1.6\u2009kg');
        expect(kindWords('close-up-lens')).toBe('close-up lens');
        expect(kindWords('reversing-ring')).toBe('reversing ring');
    });
});

describe('typed text', () => {
    test('a comma is a point, nothing is nothing, and words stay for the server to name', () => {
        expect(typed(' 12,5 ')).toBe(12.5);
        expect(typed('-3')).toBe(-3);
        expect(typed('  ')).toBeUndefined();
        expect(typed('twelve')).toBe('twelve');
        expect(typed('Infinity')).toBe('Infinity');
        expect(typedNumber('12,5')).toBe(12.5);
        expect(typedNumber('twelve')).toBeNull();
        expect(typedNumber('')).toBeNull();
    });
});

describe('a part’s own scale', () => {
    const travel = (fields: Partial<TravelView>): TravelView =>
        ({
            name: '1.length',
            place: 1,
            kind: 'length',
            least: 36,
            greatest: 162,
            value: 60,
            zero: 0,
            per: 1,
            unit: 'mm',
            places: [],
            engraved: [],
            ...fields,
        }) as TravelView;

    test('draw is counted from its scale zero', () => {
        const bellows = travel({ zero: 36 });
        expect(said(bellows, 60, 0, 'mm')).toBe('24.0 mm');
        expect(typedValue(bellows, '24', 'mm')).toBe(60);
        expect(typedValue(bellows, '2,4 cm', 'mm')).toBe(60);
        expect(typedValue(bellows, '1 in', 'mm')).toBeCloseTo(61.4, 9);
        expect(typedValue(bellows, '1', 'in')).toBeCloseTo(61.4, 9);
        expect(typedValue(bellows, '9999', 'mm')).toBe(162);
        expect(typedValue(bellows, '-9999', 'mm')).toBe(36);
        expect(typedValue(bellows, 'far out', 'mm')).toBeNull();
        expect(typedValue(bellows, '', 'mm')).toBeNull();
    });

    test('a helicoid in turns, or in millimetres when that is said', () => {
        const helicoid = travel({ zero: 20, per: 4, unit: 'turns', least: 20, greatest: 32 });
        expect(said(helicoid, 26, 0, 'mm')).toBe('1.50 turns');
        expect(typedValue(helicoid, '1.5', 'mm')).toBe(26);
        expect(typedValue(helicoid, '1.5 turns', 'mm')).toBe(26);
        expect(typedValue(helicoid, '26 mm', 'mm')).toBe(26);
    });

    test('a focus ring by scale, by distance, and at infinity', () => {
        const ring = travel({ kind: 'focus', least: 0, greatest: 1, per: 5, places: [0, 0.25, 0.5, 1], engraved: [null, 2000, 1000, 450] });
        expect(said(ring, 0, 0, 'mm')).toBe('∞');
        expect(said(ring, 0.5, 2, 'mm')).toBe('0.1× · 1 m');
        expect(said(ring, 1, 3, 'mm')).toBe('0.2× · 450\u2009mm');
        expect(typedValue(ring, '∞', 'mm')).toBe(0);
        expect(typedValue(ring, 'inf', 'mm')).toBe(0);
        expect(typedValue(ring, '0.1', 'mm')).toBe(0.5);
        expect(typedValue(ring, '0.1x', 'mm')).toBe(0.5);
        expect(typedValue(ring, '1.1 m', 'mm')).toBe(0.5);
        expect(typedValue(ring, '470 mm', 'mm')).toBe(1);
    });

    test('an aperture with and without its f, a swing in degrees', () => {
        const aperture = travel({ kind: 'aperture', least: 2.8, greatest: 22 });
        expect(said(aperture, 8, 0, 'mm')).toBe('f/8');
        for (const text of ['8', 'f8', 'f/8', 'F/8']) expect(typedValue(aperture, text, 'mm')).toBe(8);
        expect(typedValue(aperture, '1', 'mm')).toBe(2.8);
        const swing = travel({ kind: 'swing', least: -20, greatest: 20 });
        expect(said(swing, -7.5, 0, 'mm')).toBe('-7.5°');
        expect(typedValue(swing, '-7.5°', 'mm')).toBe(-7.5);
    });
});

describe('a wish', () => {
    const empty = wishIn(new URLSearchParams());

    test('nothing is wanted by an empty address', () => {
        expect(empty).toEqual({ numbers: {}, infinity: false, automatic: null, support: null, ranking: 'ease' });
        expect(asked(empty)).toEqual({});
        expect(isComplete(empty)).toBe(false);
        expect(targetOf(empty).name).toBe('fieldWidthMm');
    });

    test('goes into the address and comes back whole, blank by blank', () => {
        const names = [...targets, ...limits, ...clauses.flatMap((clause) => clause.blanks)].map((blank) => blank.name);
        expect(new Set(names).size).toBe(names.length);
        const wish = {
            ...empty,
            numbers: Object.fromEntries(names.map((name, at) => [name, at + 0.25])),
            infinity: true,
            automatic: false,
            support: 'braced' as const,
            ranking: 'mass' as const,
        };
        expect(wishIn(addressOf(wish))).toEqual(wish);
        expect(wishIn(new URLSearchParams(addressOf(wish).toString()))).toEqual(wish);
        expect(wishIn(addressOf({ ...empty, automatic: true }))).toEqual({ ...empty, automatic: true });
    });

    test('what an address can’t mean is left out', () => {
        expect(
            wishIn(new URLSearchParams('magnification=much&leastRoomMm=&fieldWidthMm=Infinity&support=rope&ranking=luck&colour=red')),
        ).toEqual(empty);
    });

    test('opens with what is met exactly', () => {
        expect(isComplete({ ...empty, numbers: { leastRoomMm: 60 } })).toBe(false);
        const far = { ...empty, numbers: { leastRoomMm: 60, subjectDistanceMm: 900 } };
        expect(isComplete(far)).toBe(true);
        expect(targetOf(far).name).toBe('subjectDistanceMm');
    });

    test('blanks are filled in the person’s units and hold millimetres', () => {
        expect(inBlank(25.4, 'length', 'in')).toBe('1');
        expect(inBlank(18, 'length', 'mm')).toBe('18');
        expect(inBlank(0.9, 'percent', 'in')).toBe('90');
        expect(inBlank(0.1 + 0.2, 'plain', 'mm')).toBe('0.3');
        expect(fromBlank(1, 'length', 'in')).toBe(25.4);
        expect(fromBlank(90, 'percent', 'mm')).toBe(0.9);
        for (const measure of ['length', 'plain', 'percent'] as const)
            for (const units of ['mm', 'in'] as const)
                expect(fromBlank(Number(inBlank(12.5, measure, units)), measure, units)).toBeCloseTo(12.5, 4);
    });

    test('a clause is taken out with all its blanks and nothing else', () => {
        const focus = clauses.find((clause) => clause.name === 'focus');
        expect(emptied({ focusFromMm: 300, focusToMm: 900, mostMassG: 500 }, focus?.blanks ?? [])).toEqual({ mostMassG: 500 });
    });
});

describe('the fields of a part', () => {
    const lens: PartFields = { kind: 'lens', aperture: { widest: 2.8 }, measured: { focalLengthMm: 0.2 } };

    test('nested ones are read and changed by a dot, and the part stays as it was', () => {
        expect(valueAt(lens, 'aperture.widest')).toBe(2.8);
        expect(valueAt(lens, 'aperture.smallest')).toBeUndefined();
        expect(valueAt(lens, 'kind.of')).toBeUndefined();
        expect(withValue(lens, 'aperture.smallest', 22)).toEqual({ ...lens, aperture: { widest: 2.8, smallest: 22 } });
        expect(withValue(lens, 'name', 'Fell 35')).toEqual({ ...lens, name: 'Fell 35' });
        expect(lens).toEqual({ kind: 'lens', aperture: { widest: 2.8 }, measured: { focalLengthMm: 0.2 } });
    });

    test('what is taken away leaves no empty shell', () => {
        expect(withValue(lens, 'aperture.widest', undefined)).toEqual({ kind: 'lens', measured: { focalLengthMm: 0.2 } });
        expect(withHalfWidth(lens, 'focalLengthMm', undefined)).toEqual({ kind: 'lens', aperture: { widest: 2.8 } });
        expect(halfWidthOf(withHalfWidth(lens, 'frontRimMm', 0.5), 'frontRimMm')).toBe(0.5);
        expect(halfWidthOf(lens, 'frontRimMm')).toBeUndefined();
    });

    test('a joint is understood as people write it, and said as they say it', () => {
        for (const text of ['M42x1', 'm42×1', '42 x 1', 'thread:42x1', 'M 42 x 1']) expect(jointTyped(text)).toBe('thread:42x1');
        expect(jointTyped('39x26 tpi')).toBe('thread:39x26tpi');
        expect(jointTyped('52 x 0,75')).toBe('thread:52x0.75');
        expect(jointTyped(' larch ')).toBe('larch');
        expect(jointTyped(' ')).toBeUndefined();
        expect(jointSpoken('thread:42x1')).toBe('M42×1');
        expect(jointSpoken('thread:39x26tpi')).toBe('39 × 26 tpi');
        expect(jointSpoken('larch')).toBe('larch');
    });
});

describe('the joint map', () => {
    const end = (spoken: string): Schema['MapEnd'] => ({ joint: spoken, spoken }) as Schema['MapEnd'];
    const part = (name: string, kind: string, rear: string | null, front: string | null): Schema['MapPart'] => ({
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

describe('outlines and frames are to scale', () => {
    const rig = {
        body: { frontMm: 44.5, backMm: -28, heightMm: 80 },
        drawn: [{ kind: 'tube', rearMm: 44.5, frontMm: 64.5, outerMm: 60, rearOuterMm: 60, frontOuterMm: 60 }],
        tipMm: 64.5,
        subjectDistanceMm: 164.5,
    } as unknown as Schema['FoundRig'];

    test('a row’s rig keeps its scale, and only the air before it is cut short', () => {
        const near = rigOutline(rig, 0.5, 200, 40);
        expect(near.broken).toBe(false);
        expect(near.tipX).toBeCloseTo(150, 9);
        const far = rigOutline({ ...rig, subjectDistanceMm: 5000 }, 0.5, 200, 40);
        expect(far.broken).toBe(true);
        expect(far.tipX).toBeGreaterThan(0);
        expect(far.tipX).toBeLessThan(200);
        expect(rigOutline({ ...rig, subjectDistanceMm: null }, 0.5, 200, 40).tipX).toBe(200);
    });

    test('one scale lets the longest and the tallest of some rigs stand', () => {
        const scale = commonScale([rig, { ...rig, tipMm: 464.5 }], 360, 80);
        expect((464.5 + 28) * scale).toBeLessThanOrEqual(360 * 0.72 + 1e-9);
        expect(80 * 0.8 * scale).toBeLessThanOrEqual(76 + 1e-9);
        expect(commonScale([], 360, 80)).toBeLessThanOrEqual(1);
    });

    test('a millimetre is as wide as it is high, and a far subject breaks the axis instead of the scale', () => {
        const drawing = {
            camera: { backMm: -28, heightMm: 80 },
            tipDiameterMm: 60,
            parts: [{ kind: 'tube', outerMm: 60 }],
        } as unknown as Schema['DrawingView'];
        const near = frameOf(drawing, 900, 400, 120, 180);
        expect(near.broken).toBe(false);
        expect(near.x(110) - near.x(10)).toBeCloseTo(100 * near.scale, 9);
        expect(near.y(-50) - near.y(50)).toBeCloseTo(100 * near.scale, 9);
        expect(near.x(-28)).toBeGreaterThanOrEqual(0);
        expect(near.x(180)).toBeLessThanOrEqual(900);
        const far = frameOf(drawing, 900, 400, 120, 5000);
        expect(far.broken).toBe(true);
        expect(far.subjectX).not.toBeNull();
        expect(far.scale).toBeGreaterThan(near.scale * 0.5);
        expect(frameOf(drawing, 900, 400, 120, null).broken).toBe(true);
    });
});
