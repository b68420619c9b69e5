import { useState } from 'react';
import type { RigView, TravelView } from '../../api/client';
import type { Units } from '../../ui/figures';
import { useIsWide } from '../../ui/useIsWide';
import { EngravedScale } from '../../strip/EngravedScale';
import { narrowest as narrowestDrawing, type Places } from '../../drawing/RigDrawing';
import { strings } from '../../strings/index';
import type { ActiveSweep } from '../../rig/displayedReadings';
import { nearest, said, typedValue } from '../../strip/ownScale';

interface Props {
    rig: RigView;
    held: ActiveSweep | null;
    fetching: string | null;
    units: Units;
    onReach: (travel: TravelView) => void;
    onTake: (travel: TravelView) => void;
    onMove: (travel: TravelView, row: number) => void;
    onLeave: (travel: TravelView) => void;
    /** A value that was typed, which may stand between two positions of rest. */
    onSet: (travel: TravelView, value: number) => void;
    /** Where controls were left while the server was away, by name. */
    parked: ReadonlyMap<string, number>;
    /** Where the parts stand in the drawing; null = it isn't laid out yet. */
    places: Places | null;
}

/** So many scales stand beside each other without crowding, and room for the word behind which others wait, px. */
const fewScales = 3;
const toggle = 104;

/** How narrow and how wide a scale may be, and the gap after it, px. */
const narrowest = 138;
const widest = 250;
const gap = 22;

const nowhere: ReadonlyMap<number, number> = new Map();

/** How wide the drawing will be laid out, px: beside the panel on a wide screen; on a narrow one it scrolls. */
function guessedWidth(isWide: boolean): number {
    const width = innerWidth - (isWide ? 412 : 0) - 32;
    return width < narrowestDrawing ? 0 : width;
}

/**
 * Where each part's scales begin, px, so that they stand under its picture as nearly as their neighbours allow; null where
 * they can't all stand in one row.
 */
function underPictures(
    positions: readonly number[],
    centres: ReadonlyMap<number, number>,
    width: number,
    scaleWidth: number,
): number[] | null {
    if (scaleWidth < narrowest) return null;
    // All scales of one part stand together, their middle under the part's.
    const starts = positions.map((index, at) => {
        const first = positions.indexOf(index);
        const count = positions.filter((each) => each === index).length;
        return (centres.get(index) ?? width / 2) - (count * (scaleWidth + gap) - gap) / 2 + (at - first) * (scaleWidth + gap);
    });
    for (let at = 1; at < starts.length; at++) starts[at] = Math.max(starts[at] ?? 0, (starts[at - 1] ?? 0) + scaleWidth + gap);
    let room = width - scaleWidth;
    for (let at = starts.length - 1; at >= 0; at--) {
        starts[at] = Math.max(0, Math.min(starts[at] ?? 0, room));
        room = (starts[at] ?? 0) - scaleWidth - gap;
    }
    for (let at = 1; at < starts.length; at++) starts[at] = Math.max(starts[at] ?? 0, (starts[at - 1] ?? 0) + scaleWidth + gap);
    return starts;
}

/** Every moving part's own scale, in the order of the rig. */
export function Controls({ rig, held, fetching, units, onReach, onTake, onMove, onLeave, onSet, parked, places }: Props) {
    const [all, setAll] = useState(false);
    // Whether they will stand in one row is known before the drawing is: the room for them is there at once.
    const isWide = useIsWide();
    const { centres, width } = places ?? { centres: nowhere, width: guessedWidth(isWide) };
    if (rig.travels.length === 0) return null;
    // Swing and shift rest at nought on most days: where many scales stand, they wait behind a word.
    const rests = rig.travels.filter((travel) => (travel.kind === 'swing' || travel.kind === 'shift') && travel.value === 0);
    const folds = rig.travels.length > fewScales && rests.length > 0;
    const travels = folds && !all ? rig.travels.filter((travel) => !rests.includes(travel)) : rig.travels;
    const room = folds ? width - toggle : width;
    const scaleWidth = Math.min(widest, Math.floor((room + gap) / travels.length) - gap);
    const starts = underPictures(
        travels.map((travel) => travel.index),
        centres,
        room,
        scaleWidth,
    );
    const comes = places === null && starts !== null;
    return (
        <section
            aria-label={strings.bench.controls}
            aria-busy={comes}
            className={starts === null ? 'flex flex-wrap gap-x-5 gap-y-1 py-1' : 'relative h-[68px]'}
        >
            {(comes ? [] : travels).map((travel, at) => {
                const moved = held?.sweep.travel === travel.name;
                const rests = parked.get(travel.name) ?? travel.value;
                const own = moved ? held.row : nearest(travel.positions, rests);
                const value = moved ? (travel.positions[own] ?? rests) : rests;
                const part = rig.chain[travel.index]?.name ?? '';
                return (
                    <div
                        key={travel.name}
                        className={starts === null ? 'min-w-[138px] flex-1' : 'absolute top-1'}
                        style={starts === null ? undefined : { left: starts[at], width: scaleWidth }}
                    >
                        <EngravedScale
                            travel={travel}
                            label={`${part} · ${strings.travel[travel.kind] ?? travel.kind}`}
                            row={own}
                            said={said(travel, value, own, units)}
                            busy={fetching === travel.name}
                            onReach={() => onReach(travel)}
                            onTake={() => onTake(travel)}
                            onMove={(row) => onMove(travel, row)}
                            onLeave={() => onLeave(travel)}
                            onType={(text) => {
                                const wanted = typedValue(travel, text, units);
                                if (wanted === null) return false;
                                onSet(travel, wanted);
                                return true;
                            }}
                        />
                    </div>
                );
            })}
            {folds && (
                <button
                    type="button"
                    aria-expanded={all}
                    onClick={() => setAll(!all)}
                    className={`text-xs text-beam underline underline-offset-2 ${starts === null ? 'py-2' : 'absolute top-2 right-0'}`}
                >
                    {all
                        ? strings.bench.foldRests
                        : strings.bench.showRests(rests.map((travel) => strings.travel[travel.kind] ?? travel.kind))}
                </button>
            )}
        </section>
    );
}
