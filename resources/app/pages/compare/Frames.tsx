import { memo, useEffect, useMemo, useRef, useState } from 'react';
import type { Schema } from '../../api/client';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { strings } from '../../strings/index';
import { compare as compareWords } from '../../strings/compare';
import { digits, length, type Units } from '../../ui/figures';
import { Tick } from '../../ui/Tick';
import { aspect, shotOf, smallest, type Rig } from './shown';

const say = compareWords.compare;

interface Props {
    rigs: readonly Rig[];
    target: Schema['TargetView'];
    units: Units;
    cropped: boolean;
    onCrop: (on: boolean) => void;
    /** Shows one large, another beside it. */
    onOpen: (letter: string) => void;
}

/** Frames beside each other for so many rigs. */
const columns = (count: number): number => (count <= 4 ? Math.max(2, count) : count <= 6 ? 3 : count <= 8 ? 4 : 5);

/** Each rig’s frame of the same target, at its true scale and with its true blur. */
export function Frames({ rigs, target, units, cropped, onCrop, onOpen }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const [room, setRoom] = useState(0);
    useEffect(() => {
        const element = box.current;
        if (!element) return;
        const watch = new ResizeObserver(([entry]) => entry && setRoom(entry.contentRect.width));
        watch.observe(element);
        return () => watch.disconnect();
    }, []);
    const narrowest = smallest(rigs);
    const gap = 10;
    const count = Math.min(columns(rigs.length), Math.max(1, Math.floor((room + gap) / (104 + gap))));
    const width = Math.floor((room - gap * (count - 1)) / count);
    return (
        <section aria-label={say.frames} className="pb-2">
            <div className="flex flex-wrap items-baseline gap-x-4 py-1 text-sm">
                <h2 className="font-semibold">{say.targets[target.kind]}</h2>
                <span className="figures text-xs text-soft">
                    {length(target.widthMm, units)} × {length(target.heightMm, units)}
                    {target.depthMm > 0 && ` · ${say.deepTold(length(target.depthMm, units))}`}
                </span>
                <Tick checked={cropped} onChange={onCrop} className="no-print ml-auto text-sm">
                    {say.cropAll}
                </Tick>
            </div>
            <div ref={box} className="flex flex-wrap" style={{ gap }}>
                {room > 0 &&
                    rigs.map((rig) => (
                        <FrameOf
                            key={rig.id}
                            rig={rig}
                            target={target}
                            units={units}
                            width={width}
                            shownMm={cropped ? narrowest : null}
                            onOpen={onOpen}
                        />
                    ))}
            </div>
        </section>
    );
}

interface FrameProps {
    rig: Rig;
    target: Schema['TargetView'];
    units: Units;
    width: number;
    shownMm: number | null;
    onOpen: (letter: string) => void;
}

const FrameOf = memo(function FrameOf({ rig, target, units, width, shownMm, onOpen }: FrameProps) {
    const height = Math.round(width * aspect(rig));
    const shot = useMemo(() => shotOf(rig, target, shownMm), [rig, target, shownMm]);
    const field = rig.readings.fieldWidthMm;
    const shown = shownMm === null || field === null ? field : Math.min(shownMm, field);
    const crop = rig.cropToMm === null || shown === null ? null : rig.cropToMm / shown;
    const left = rig.columns > 0 && field !== null && shown !== null ? Math.floor((rig.columns * shown) / field) : rig.pixelsLeft;
    return (
        <figure style={{ width }}>
            <button
                type="button"
                className="relative block border border-ink focus-visible:outline-2"
                title={say.large(rig.letter)}
                aria-label={say.large(rig.letter)}
                disabled={shot === null}
                onClick={() => onOpen(rig.letter)}
            >
                <PictureCanvas
                    shot={shot}
                    width={width - 2}
                    height={height}
                    label={say.frameOf(rig.letter, say.targets[target.kind] ?? '')}
                />
                {crop !== null && crop < 0.999 && (
                    <span
                        aria-hidden="true"
                        className="absolute border-2 border-dashed border-brass"
                        style={{
                            left: `${(1 - crop) * 50}%`,
                            top: `${(1 - crop) * 50}%`,
                            width: `${crop * 100}%`,
                            height: `${crop * 100}%`,
                        }}
                    />
                )}
            </button>
            <figcaption className="figures pt-0.5 text-xs">
                <span className="font-semibold">{rig.letter}</span> {shown === null ? strings.bench.infinity : length(shown, units)}
                {rig.resolvedDetailMm !== null && (
                    <span className="block text-soft">
                        {say.detailShort} {micrometres(rig.resolvedDetailMm)}
                        {rig.tried && ` ${say.byTrial}`}
                    </span>
                )}
                {left !== null && (
                    <span className="block text-soft">
                        {say.pixelsShort(digits(rig.cropToMm === null ? left : (rig.pixelsLeft ?? left)))}
                    </span>
                )}
            </figcaption>
        </figure>
    );
});

/** A length too small for millimetres. */
export const micrometres = (mm: number): string => `${digits(mm * 1000)} µm`;
