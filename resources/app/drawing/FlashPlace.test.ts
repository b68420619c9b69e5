import { describe, expect, it } from 'vitest';
import { flashAt } from './FlashPlace';

const frame = { scale: 2, axisY: 200, broken: false };
const flash = { distanceMm: 50, angleDeg: 30 };

describe('where a flash stands', () => {
    it('is to scale, at its angle over the plane, on the camera’s side', () => {
        const at = flashAt(flash, 60, 500, frame);
        expect(at.x).toBeCloseTo(500 - 100 * 0.5, 6);
        expect(at.y).toBeCloseTo(200 - 100 * Math.cos(Math.PI / 6), 6);
        expect(at.far).toBe(false);
    });
    it('lies along the plane at 0 and along the axis at 90', () => {
        expect(flashAt({ ...flash, angleDeg: 0 }, 60, 500, frame)).toMatchObject({ x: 500, y: 100 });
        const along = flashAt({ ...flash, angleDeg: 90 }, 60, 500, frame);
        expect([along.x, Math.round(along.y)]).toEqual([400, 200]);
    });
    it('keeps its direction where the drawing is too small, and says so', () => {
        const at = flashAt({ distanceMm: 500, angleDeg: 30 }, 60, 500, frame);
        expect(at.far).toBe(true);
        expect(at.y).toBeCloseTo(62, 6);
        expect((500 - at.x) / (200 - at.y)).toBeCloseTo(Math.tan(Math.PI / 6), 6);
    });
    it('breaks its way where the axis is broken', () => {
        const at = flashAt(flash, 60, 500, { ...frame, broken: true });
        expect(at.far).toBe(true);
        expect(Math.hypot(500 - at.x, 200 - at.y)).toBeCloseTo(90, 6);
        expect(at.y).toBeGreaterThan(200);
    });
    it('stands where light gets in when nobody said how', () => {
        expect(flashAt({ distanceMm: 50, angleDeg: null }, 40, 500, frame).angleDeg).toBe(30);
        expect(flashAt({ distanceMm: 50, angleDeg: null }, 80, 500, frame).angleDeg).toBe(45);
        expect(flashAt({ distanceMm: 50, angleDeg: null }, null, 500, frame).angleDeg).toBe(45);
    });
});
