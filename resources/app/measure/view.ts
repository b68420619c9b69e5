/** What of a picture is seen: the pixel at the upper left corner, and how many px of the screen one of its pixels takes. */
export interface View {
    x: number;
    y: number;
    scale: number;
}

export interface Size {
    width: number;
    height: number;
}

/** A box at the picture's own pixels. */
export interface Box extends Size {
    x: number;
    y: number;
}

export interface Point {
    x: number;
    y: number;
}

/** Screen px for a pixel of the picture, at most. */
const most = 16;

/** All of it, in the middle. */
export function whole(picture: Size, screen: Size): View {
    const scale = Math.min(screen.width / picture.width, screen.height / picture.height);
    return { x: (picture.width - screen.width / scale) / 2, y: (picture.height - screen.height / scale) / 2, scale };
}

/** Larger or smaller by a factor about a place of the screen; never smaller than whole. */
export function zoomed(view: View, by: number, at: Point, picture: Size, screen: Size): View {
    const least = whole(picture, screen);
    const scale = Math.max(Math.min(least.scale, most), Math.min(most, view.scale * by));
    if (scale <= least.scale * 1.0001) return least;
    return held({ x: view.x + at.x / view.scale - at.x / scale, y: view.y + at.y / view.scale - at.y / scale, scale }, picture, screen);
}

/** Moved by px of the screen. */
export function moved(view: View, dx: number, dy: number, picture: Size, screen: Size): View {
    return held({ ...view, x: view.x - dx / view.scale, y: view.y - dy / view.scale }, picture, screen);
}

/** So that the picture doesn't leave the screen: what is smaller than it stays in the middle. */
function held(view: View, picture: Size, screen: Size): View {
    const place = (at: number, seen: number, all: number) => (seen >= all ? (all - seen) / 2 : Math.max(0, Math.min(all - seen, at)));
    return {
        scale: view.scale,
        x: place(view.x, screen.width / view.scale, picture.width),
        y: place(view.y, screen.height / view.scale, picture.height),
    };
}

/** The place of the picture under a place of the screen. */
export const inPicture = (view: View, at: Point): Point => ({ x: view.x + at.x / view.scale, y: view.y + at.y / view.scale });

/** The box between two corners, in whole pixels and within the picture; null = it has less than two either way. */
export function boxBetween(a: Point, b: Point, picture: Size): Box | null {
    const within = (value: number, end: number) => Math.max(0, Math.min(end, Math.round(value)));
    const [left, right] = [within(Math.min(a.x, b.x), picture.width), within(Math.max(a.x, b.x), picture.width)];
    const [top, low] = [within(Math.min(a.y, b.y), picture.height), within(Math.max(a.y, b.y), picture.height)];
    return right - left < 2 || low - top < 2 ? null : { x: left, y: top, width: right - left, height: low - top };
}

/** The f-number that the name of a file tells: f5.6, f-8, F11, 5.6 at its end; null = none. */
export function stopInName(name: string): number | null {
    const stem = name.replace(/\.[a-z]+$/i, '');
    const found =
        /(?:^|[^a-z0-9])f[-_/ ]?(\d{1,2}(?:[.,]\d{1,2})?)(?![\d.,]*\d)/i.exec(stem) ?? /(?:^|[-_ ])(\d{1,2}[.,]\d{1,2})$/.exec(stem);
    const value = found ? Number((found[1] ?? '').replace(',', '.')) : NaN;
    return value >= 0.5 && value <= 256 ? value : null;
}
