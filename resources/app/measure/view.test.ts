import { describe, expect, it } from 'vitest';
import { boxBetween, inPicture, moved, stopInName, whole, zoomed } from './view';

const picture = { width: 6000, height: 4000 };
const screen = { width: 600, height: 500 };

describe('what of a picture is seen', () => {
    it('is all of it at first, in the middle', () => {
        expect(whole(picture, screen)).toEqual({ x: 0, y: -500, scale: 0.1 });
        expect(inPicture(whole(picture, screen), { x: 300, y: 250 })).toEqual({ x: 3000, y: 2000 });
    });
    it('grows about the place that is pointed at', () => {
        const at = { x: 450, y: 250 };
        const before = inPicture(whole(picture, screen), at);
        const view = zoomed(whole(picture, screen), 10, at, picture, screen);
        expect(view.scale).toBeCloseTo(1);
        expect(inPicture(view, at).x).toBeCloseTo(before.x);
        expect(inPicture(view, at).y).toBeCloseTo(before.y);
        expect(zoomed(view, 0.001, at, picture, screen)).toEqual(whole(picture, screen));
        expect(zoomed(view, 1000, at, picture, screen).scale).toBe(16);
    });
    it('doesn’t leave the picture', () => {
        const view = zoomed(whole(picture, screen), 10, { x: 0, y: 0 }, picture, screen);
        expect(moved(view, 10_000, 10_000, picture, screen)).toMatchObject({ x: 0, y: 0 });
        expect(moved(view, -10_000, -10_000, picture, screen)).toMatchObject({ x: 5400, y: 3500 });
        expect(moved(whole(picture, screen), 50, 50, picture, screen)).toEqual(whole(picture, screen));
    });
});

describe('a box', () => {
    it('is in whole pixels, whichever corners were taken, and within the picture', () => {
        expect(boxBetween({ x: 10.4, y: 99.6 }, { x: 5.4, y: 20.2 }, picture)).toEqual({ x: 5, y: 20, width: 5, height: 80 });
        expect(boxBetween({ x: -50, y: 3990 }, { x: 20, y: 4050 }, picture)).toEqual({ x: 0, y: 3990, width: 20, height: 10 });
    });
    it('has two pixels at least', () => {
        expect(boxBetween({ x: 10, y: 10 }, { x: 11.4, y: 60 }, picture)).toBeNull();
    });
});

describe('the stop in a name', () => {
    it.each([
        ['trial-f5.6.jpg', 5.6],
        ['Seed_F11_002.png', 11],
        ['f-8.png', 8],
        ['f2,8.jpeg', 2.8],
        ['edge-f16-12.png', 16],
        ['edge 5.6.tif', 5.6],
        ['IMG_2048.jpg', null],
        ['leaf5.png', null],
        ['fen-2026.png', null],
    ])('%s', (name, stop) => expect(stopInName(name)).toBe(stop));
});
