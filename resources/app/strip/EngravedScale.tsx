import { memo, useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { TravelView } from '../api/client';
import { useWidth } from '../ui/useWidth';
import { written } from './engraved';
import { TypedValue } from './TypedValue';

interface Props {
    travel: TravelView;
    label: string;
    /** Row of the position where it stands. */
    row: number;
    said: string;
    busy: boolean;
    /** The pointer has come to the scale: it may be taken hold of next. */
    onReach: () => void;
    onTake: () => void;
    onMove: (row: number) => void;
    onLeave: () => void;
    onType: (text: string) => boolean;
}

/** A finger's width. */
const height = 44;

/** Where a value stands between the ends of its scale: aperture rings are engraved evenly by stops, everything else by its own measure. */
const shareOf = (travel: TravelView, value: number) =>
    travel.kind === 'aperture'
        ? Math.log2(value / travel.least) / Math.log2(travel.greatest / travel.least)
        : (value - travel.least) / (travel.greatest - travel.least || 1);

/** What is engraved: as long as the ring stays as wide, nothing of it moves. */
const Engraving = memo(function Engraving({ travel, width }: { travel: TravelView; width: number }) {
    const shares = travel.marks.map((mark) => shareOf(travel, mark.at));
    const shown = written(travel.marks, shares, width);
    return (
        <>
            <rect y={14} width="100%" height={6} fill="var(--brass)" opacity={0.3} />
            {travel.marks.map((mark, at) => (
                <svg key={`${mark.at}-${mark.text}`} x={`${(shares[at] ?? 0) * 100}%`} className="overflow-visible">
                    <path d={mark.text === '' ? 'M0 14V20' : 'M0 12V22'} stroke="var(--brass)" />
                    {shown.has(at) && (
                        <text y={34} fontSize={10} textAnchor="middle" fill="var(--brass)">
                            {mark.text}
                        </text>
                    )}
                </svg>
            ))}
        </>
    );
});

/** A control as it is engraved on the part: a scale with a brass pointer, moved by hand, keys or a click. */
export function EngravedScale({ travel, label, row, said, busy, onReach, onTake, onMove, onLeave, onType }: Props) {
    const track = useRef<SVGSVGElement>(null);
    const dragging = useRef(false);
    // Keys that follow each other faster than what they asked for can be shown go on from what was asked for.
    const asked = useRef<number | null>(null);
    useEffect(() => {
        asked.current = null;
    }, [row]);
    const width = useWidth(track, 138);
    const stops = travel.kind === 'aperture';
    const share = (value: number) => shareOf(travel, value);
    const last = travel.positions.length - 1;
    const position = travel.positions[row] ?? travel.value;

    // Measured when it is taken hold of: while the hand moves, nothing else does.
    const box = useRef<DOMRect | null>(null);
    const rowAt = (clientX: number): number => {
        if (!box.current) return row;
        const wanted = Math.max(0, Math.min(1, (clientX - box.current.left - 10) / (box.current.width - 20)));
        let best = 0;
        travel.positions.forEach((value, i) => {
            if (Math.abs(share(value) - wanted) < Math.abs(share(travel.positions[best] ?? 0) - wanted)) best = i;
        });
        return best;
    };

    const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        box.current = event.currentTarget.getBoundingClientRect();
        dragging.current = true;
        onTake();
        onMove(rowAt(event.clientX));
    };
    const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
        if (dragging.current) onMove(rowAt(event.clientX));
    };
    const onPointerUp = () => {
        if (dragging.current) {
            dragging.current = false;
            onLeave();
        }
    };
    const onKeyDown = (event: KeyboardEvent) => {
        const from = asked.current ?? row;
        const coarse = stops ? 1 : Math.max(1, Math.round(last / 20));
        const moves: Record<string, number> = {
            ArrowRight: from + 1,
            ArrowUp: from + 1,
            ArrowLeft: from - 1,
            ArrowDown: from - 1,
            PageUp: from + coarse,
            PageDown: from - coarse,
            Home: 0,
            End: last,
        };
        const next = moves[event.key];
        if (next === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        event.stopPropagation();
        const wanted = Math.max(0, Math.min(last, next));
        asked.current = wanted;
        onTake();
        onMove(wanted);
    };

    return (
        <div>
            <div className="flex items-baseline justify-between gap-2 text-xs">
                <span className="truncate text-soft">{label}</span>
                <TypedValue label={label} said={said} onType={onType} />
            </div>
            <svg
                ref={track}
                role="slider"
                tabIndex={0}
                aria-label={label}
                aria-valuemin={travel.least}
                aria-valuemax={travel.greatest}
                aria-valuenow={position}
                aria-valuetext={said}
                aria-busy={busy}
                width="100%"
                height={height}
                className="block cursor-ew-resize touch-none overflow-visible select-none"
                onPointerEnter={onReach}
                onPointerDown={onPointerDown}
                onPointerMove={onPointerMove}
                onPointerUp={onPointerUp}
                onPointerCancel={onPointerUp}
                onKeyDown={onKeyDown}
                onKeyUp={(event) => {
                    if (/^(Arrow|Page|Home|End)/.test(event.key)) onLeave();
                }}
                onFocus={onTake}
                onBlur={() => (asked.current = null)}
            >
                <rect x={0} y={0} width="100%" height={height} fill="transparent" />
                <svg
                    x={10}
                    width="calc(100% - 20px)"
                    height={height}
                    className="figures overflow-visible"
                    style={{ width: 'calc(100% - 20px)' }}
                >
                    <Engraving travel={travel} width={width - 20} />
                    <svg x={`${share(position) * 100}%`} className="overflow-visible">
                        <path d="M-6 2H6V9L0 16L-6 9Z" fill="var(--brass)" />
                    </svg>
                </svg>
            </svg>
        </div>
    );
}
