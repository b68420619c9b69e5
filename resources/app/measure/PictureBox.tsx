import { useCallback, useEffect, useLayoutEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { pictures as picturesWords } from '../strings/pictures';
import { Button } from '../ui/Button';
import type { Opened } from './opened';
import { boxBetween, inPicture, moved, whole, zoomed, type Box, type Point, type View } from './view';

const say = picturesWords.pictures;

interface Props {
    picture: Opened;
    /** Two marks instead of a box. */
    marks: readonly Point[] | null;
    box: Box | null;
    /** What was found, pixels of the box or, of marks, of the picture: from x, y to x, y. */
    found: readonly (readonly number[])[];
    onBox: (box: Box) => void;
    onMarks: (marks: Point[]) => void;
}

/** A picture at its own pixels: a finger or the left button draws the box, two fingers or the wheel show it larger, Shift moves it. */
export function PictureBox({ picture, marks, box, found, onBox, onMarks }: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const [screen, setScreen] = useState({ width: 0, height: 0 });
    const [view, setView] = useState<View | null>(null);
    const [drawn, setDrawn] = useState<Box | null>(null);
    const hands = useRef(new Map<number, Point>());
    const from = useRef<{ at: Point; moves: boolean; mark: number | null } | null>(null);

    useLayoutEffect(() => {
        const element = frame.current;
        if (!element) return;
        const look = () => setScreen({ width: element.clientWidth, height: element.clientHeight });
        const watch = new ResizeObserver(look);
        look();
        watch.observe(element);
        return () => watch.disconnect();
    }, []);
    useEffect(() => setView(screen.width > 0 ? whole(picture, screen) : null), [picture, screen]);
    useEffect(() => {
        const to = canvas.current;
        if (!to || !view) return;
        const dense = window.devicePixelRatio || 1;
        to.width = Math.round(screen.width * dense);
        to.height = Math.round(screen.height * dense);
        const brush = to.getContext('2d');
        if (!brush) return;
        brush.setTransform(view.scale * dense, 0, 0, view.scale * dense, -view.x * view.scale * dense, -view.y * view.scale * dense);
        // Large enough, each of its pixels is to be seen as one.
        brush.imageSmoothingEnabled = view.scale < 2;
        brush.drawImage(picture.bitmap, 0, 0);
    }, [picture, view, screen]);

    const zoom = useCallback(
        (by: number, at: Point = { x: screen.width / 2, y: screen.height / 2 }) =>
            setView((now) => now && zoomed(now, by, at, picture, screen)),
        [picture, screen],
    );
    // React listens to wheels passively: the page would scroll as well.
    useEffect(() => {
        const element = canvas.current;
        if (!element) return;
        const wheel = (event: WheelEvent) => {
            event.preventDefault();
            zoom(Math.exp(-event.deltaY / 300), { x: event.offsetX, y: event.offsetY });
        };
        element.addEventListener('wheel', wheel, { passive: false });
        return () => element.removeEventListener('wheel', wheel);
    }, [zoom]);

    const place = (event: PointerEvent): Point => {
        const { left, top } = event.currentTarget.getBoundingClientRect();
        return { x: event.clientX - left, y: event.clientY - top };
    };
    const down = (event: PointerEvent<HTMLCanvasElement>) => {
        if (!view) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const at = place(event);
        hands.current.set(event.pointerId, at);
        if (hands.current.size > 1) {
            from.current = null;
            setDrawn(null);
            return;
        }
        const spot = inPicture(view, at);
        // A mark that is near the hand is taken along; else a third one begins anew.
        const near = marks?.findIndex((mark) => Math.hypot(mark.x - spot.x, mark.y - spot.y) * view.scale < 14) ?? -1;
        let mark: number | null = null;
        if (marks !== null && !event.shiftKey && event.button === 0) {
            const next = near >= 0 ? [...marks] : marks.length >= 2 ? [spot] : [...marks, spot];
            mark = near >= 0 ? near : next.length - 1;
            onMarks(next);
        }
        from.current = { at: spot, moves: event.shiftKey || event.button === 1, mark };
    };
    const move = (event: PointerEvent<HTMLCanvasElement>) => {
        const before = hands.current.get(event.pointerId);
        if (!view || !before) return;
        const at = place(event);
        hands.current.set(event.pointerId, at);
        const other = [...hands.current].find(([id]) => id !== event.pointerId)?.[1];
        if (other) {
            const [was, is] = [Math.hypot(before.x - other.x, before.y - other.y), Math.hypot(at.x - other.x, at.y - other.y)];
            const middle = { x: (at.x + other.x) / 2, y: (at.y + other.y) / 2 };
            setView(
                (now) =>
                    now &&
                    moved(
                        zoomed(now, is / Math.max(1, was), middle, picture, screen),
                        (at.x - before.x) / 2,
                        (at.y - before.y) / 2,
                        picture,
                        screen,
                    ),
            );
            return;
        }
        const start = from.current;
        if (!start) return;
        if (start.moves) setView((now) => now && moved(now, at.x - before.x, at.y - before.y, picture, screen));
        else if (start.mark !== null && marks !== null) onMarks(marks.map((mark, n) => (n === start.mark ? inPicture(view, at) : mark)));
        else setDrawn(boxBetween(start.at, inPicture(view, at), picture));
    };
    const up = (event: PointerEvent<HTMLCanvasElement>) => {
        hands.current.delete(event.pointerId);
        if (drawn && marks === null) onBox(drawn);
        setDrawn(null);
        from.current = null;
    };
    const keyed = (event: KeyboardEvent) => {
        const step = event.shiftKey ? 200 : 40;
        const way = { ArrowLeft: [step, 0], ArrowRight: [-step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
        if (way) setView((now) => now && moved(now, way[0] ?? 0, way[1] ?? 0, picture, screen));
        else if (event.key === '+') zoom(1.5);
        else if (event.key === '-') zoom(1 / 1.5);
        else if (event.key === '0') setView(whole(picture, screen));
        else return;
        event.preventDefault();
        event.stopPropagation();
    };
    const shown = drawn ?? (marks === null ? box : null);
    const x = (at: number) => view && (at - view.x) * view.scale;
    const y = (at: number) => view && (at - view.y) * view.scale;
    const [left, top] = marks === null && box ? [box.x, box.y] : [0, 0];
    return (
        <div className="min-w-0">
            <div ref={frame} className="relative h-[min(36dvh,420px)] w-full overflow-hidden border border-ink bg-ground">
                <canvas
                    ref={canvas}
                    tabIndex={0}
                    role="img"
                    aria-label={say.picture(picture.name)}
                    className="absolute inset-0 size-full touch-none cursor-crosshair"
                    onPointerDown={down}
                    onPointerMove={move}
                    onPointerUp={up}
                    onPointerCancel={up}
                    onKeyDown={keyed}
                />
                {view && (
                    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
                        {shown && (
                            <rect
                                x={x(shown.x) ?? 0}
                                y={y(shown.y) ?? 0}
                                width={shown.width * view.scale}
                                height={shown.height * view.scale}
                                className="fill-none stroke-brass"
                                strokeWidth={2}
                            />
                        )}
                        {drawn === null &&
                            found.map((line, n) => {
                                const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = line;
                                const at = { x1: x(x1 + left) ?? 0, y1: y(y1 + top) ?? 0, x2: x(x2 + left) ?? 0, y2: y(y2 + top) ?? 0 };
                                return (
                                    <g key={n}>
                                        <line {...at} className="stroke-verdigris" strokeWidth={1.5} />
                                        {found.length > 1 && (found.length <= 30 || n % 5 === 0) && (
                                            <text
                                                x={Math.min(at.x1, at.x2) + 2}
                                                y={Math.min(at.y1, at.y2) + 11}
                                                className="figures fill-verdigris text-[10px]"
                                                paintOrder="stroke"
                                                stroke="var(--plate)"
                                                strokeWidth={3}
                                            >
                                                {n + 1}
                                            </text>
                                        )}
                                    </g>
                                );
                            })}
                        {marks?.map((mark, n) => (
                            <g key={n} className="stroke-brass" strokeWidth={2}>
                                <circle cx={x(mark.x) ?? 0} cy={y(mark.y) ?? 0} r={9} fill="none" />
                                <path d={`M${(x(mark.x) ?? 0) - 14} ${y(mark.y)}h28M${x(mark.x)} ${(y(mark.y) ?? 0) - 14}v28`} />
                            </g>
                        ))}
                    </svg>
                )}
            </div>
            <div className="flex flex-wrap items-center gap-x-1 pt-1 text-xs text-soft">
                <span className="mr-auto">
                    {say.sizeOf(picture.width, picture.height)} · {marks === null ? say.drawIt : say.setThem}
                </span>
                <Button bare aria-label={say.larger} onClick={() => zoom(1.5)}>
                    +
                </Button>
                <Button bare aria-label={say.smaller} onClick={() => zoom(1 / 1.5)}>
                    −
                </Button>
                <Button bare onClick={() => setView(whole(picture, screen))}>
                    {say.wholePicture}
                </Button>
                <Button bare onClick={() => view && zoom(1 / view.scale)}>
                    {say.ownPixels}
                </Button>
            </div>
        </div>
    );
}
