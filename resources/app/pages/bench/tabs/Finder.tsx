import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import type { Schema } from '../../../api/client';
import { compare as compareWords } from '../../../strings/compare';
import { look as lookWords } from '../../../strings/look';
import { digits, length, type Units } from '../../../ui/figures';
import { roundBelow } from './roundBelow';

const say = lookWords.look;

interface Props {
    look: Schema['LookView'];
    canvas: RefObject<HTMLCanvasElement | null>;
    isEmpty: boolean;
    /** Whether nobody has the rail meanwhile. */
    free: boolean;
    shownMm: number | null;
    /** The middle of what frames keep, as shares of the frame. */
    crop: { x: number; y: number };
    units: Units;
    onCrop: (at: { x: number; y: number }) => void;
    onMove: (mm: number) => void;
}

/** A drag across all of it goes so many times the depth that is there. */
const ways = 2;

/** What the camera sees. Keys, wheel and a drag move the rail; a click moves the piece that frames keep. */
export function Finder({ look, canvas, isEmpty, free, shownMm, crop, units, onCrop, onMove }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const drag = useRef<{ x: number; y: number; mm: number; moved: boolean } | null>(null);
    const latest = useRef({ look, shownMm, free, onMove });
    latest.current = { look, shownMm, free, onMove };
    const go = (mm: number) => {
        const { look: now, free: may, onMove: move } = latest.current;
        if (may) move(Math.max(0, Math.min(now.travelMm, Math.round(mm / now.unitMm) * now.unitMm)));
    };
    useEffect(() => {
        const element = box.current;
        if (!element) return;
        const wheel = (event: WheelEvent) => {
            event.preventDefault();
            const { look: now, shownMm: at } = latest.current;
            if (at !== null) go(at - Math.sign(event.deltaY) * now.unitMm * (event.shiftKey ? 10 : 1));
        };
        element.addEventListener('wheel', wheel, { passive: false });
        return () => element.removeEventListener('wheel', wheel);
    }, []);
    const keyed = (event: KeyboardEvent) => {
        const slice = (look.nearMm ?? 0) + (look.farMm ?? 0);
        const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageUp: slice / look.unitMm, PageDown: -slice / look.unitMm }[
            event.key
        ];
        if (by === undefined || shownMm === null) return;
        event.preventDefault();
        event.stopPropagation();
        go(shownMm + by * look.unitMm * (event.shiftKey ? 10 : 1));
    };
    const deep = look.deepMm > 0 ? look.deepMm : 4 * ((look.nearMm ?? 0.5) + (look.farMm ?? 0.5));
    const down = (event: PointerEvent<HTMLDivElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = { x: event.clientX, y: event.clientY, mm: shownMm ?? look.railMm, moved: false };
    };
    const move = (event: PointerEvent<HTMLDivElement>) => {
        const from = drag.current;
        if (!from) return;
        const dx = event.clientX - from.x;
        if (Math.hypot(dx, event.clientY - from.y) > 4) from.moved = true;
        if (from.moved) go(from.mm + (dx / event.currentTarget.clientWidth) * deep * ways);
    };
    const up = (event: PointerEvent<HTMLDivElement>) => {
        const from = drag.current;
        drag.current = null;
        if (!from || from.moved) return;
        const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
        onCrop({ x: (event.clientX - left) / width, y: (event.clientY - top) / height });
    };
    const aspect = look.rows / look.columns;
    const [wide, high] = [look.crop.width / look.columns, look.crop.height / look.rows];
    const within = (at: number, share: number) => Math.max(0, Math.min(1 - share, at - share / 2));
    const bar = roundBelow(look.fieldWidthMm / 5);
    return (
        <div
            ref={box}
            tabIndex={0}
            role="slider"
            aria-label={say.finder(say.targets[look.target.kind])}
            aria-valuemin={0}
            aria-valuemax={look.travelMm}
            aria-valuenow={shownMm ?? look.railMm}
            aria-valuetext={`${digits(shownMm ?? look.railMm)} mm`}
            className="relative w-full touch-none cursor-ew-resize overflow-hidden border border-ink bg-ink"
            style={{ aspectRatio: `1 / ${aspect}` }}
            onKeyDown={keyed}
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={() => (drag.current = null)}
        >
            <canvas ref={canvas} className="block size-full" aria-hidden="true" data-testid="finder" />
            {isEmpty && (
                <span className="absolute inset-0 flex items-center justify-center text-xs text-plate">
                    {compareWords.compare.developing}
                </span>
            )}
            <span
                aria-hidden="true"
                className="absolute border-2 border-brass"
                style={{
                    left: `${100 * within(crop.x, wide)}%`,
                    top: `${100 * within(crop.y, high)}%`,
                    width: `${100 * wide}%`,
                    height: `${100 * high}%`,
                }}
            />
            <span
                aria-hidden="true"
                className="figures absolute bottom-1.5 left-2 border-x-2 border-b-2 border-plate bg-ink/70 pb-1 text-center text-xs leading-none text-plate"
                style={{ width: `${(100 * bar) / look.fieldWidthMm}%` }}
            >
                {length(bar, units)}
            </span>
        </div>
    );
}
