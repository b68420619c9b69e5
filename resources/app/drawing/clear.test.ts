import { describe, expect, test } from 'vitest';
import type { Schema } from '../api/client';
import { clearBaseline, crosses, outlines, type Box } from './clear';
import { frameOf } from './frame';

describe('a text of the drawing stands clear of the outlines', () => {
    const drawing = {
        camera: { backMm: -28, frontMm: 44.5, heightMm: 100 },
        tipDiameterMm: 24,
        parts: [
            { kind: 'bellows', rearMm: 44.5, frontMm: 144.5, outerMm: 80 },
            { kind: 'objective', rearMm: 144.5, frontMm: 180, outerMm: 24 },
        ],
    } as unknown as Schema['DrawingView'];
    const frame = frameOf(drawing, 900, 400, 180, 186);
    const boxes = outlines(drawing, frame);

    test('outlines are where the parts are drawn', () => {
        expect(boxes).toHaveLength(3);
        expect(boxes[1]).toEqual({ left: frame.x(44.5), right: frame.x(144.5), top: frame.y(40), bottom: frame.y(-40) });
    });

    test('what would lie on a part goes above it, past every outline that is met on the way', () => {
        for (const wished of [frame.y(0), frame.y(20), frame.y(39)]) {
            for (const left of [frame.x(-20), frame.x(60), frame.x(130), frame.x(150)]) {
                const baseline = clearBaseline(boxes, left, left + 60, wished, 13);
                const text: Box = { left, right: left + 60, top: baseline - 13, bottom: baseline + 3 };
                expect(boxes.some((box) => crosses(box, text))).toBe(false);
                expect(baseline).toBeLessThanOrEqual(wished);
            }
        }
    });

    test('what is clear already stays', () => {
        expect(clearBaseline(boxes, frame.x(182), frame.x(182) + 60, frame.y(5), 13)).toBe(frame.y(5));
    });

    test('boxes that only touch don’t cross', () => {
        const box = { left: 0, right: 10, top: 0, bottom: 10 };
        expect(crosses(box, { left: 10, right: 20, top: 0, bottom: 10 })).toBe(false);
        expect(crosses(box, { left: 9.9, right: 20, top: 9.9, bottom: 20 })).toBe(true);
        expect(crosses(box, { left: 0, right: 10, top: 10, bottom: 20 })).toBe(false);
    });
});
