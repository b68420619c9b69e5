import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import type { Schema } from '../../api/client';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { compare as compareWords } from '../../strings/compare';
import { length, type Units } from '../../ui/figures';
import { Dialog } from '../../ui/Dialog';
import { aspect, shotOf, smallest, type Rig } from './shown';

const say = compareWords.compare;

interface Props {
    rigs: readonly Rig[];
    target: Schema['TargetView'];
    units: Units;
    /** Letter of the one that was pointed at; null = closed. */
    letter: string | null;
    onClose: () => void;
}

/** One rig’s picture large and another’s beside it, the same stretch of the subject in both, with an edge that is wiped over them. */
export function Wipe({ rigs, target, units, letter, onClose }: Props) {
    const imaged = rigs.filter((rig) => shotOf(rig, target) !== null);
    const [left, setLeft] = useState<string | null>(null);
    const [right, setRight] = useState<string | null>(null);
    useEffect(() => {
        setLeft(letter);
        setRight(null);
    }, [letter]);
    const one = imaged.find((rig) => rig.letter === (left ?? letter));
    const other = imaged.find((rig) => rig.letter === right) ?? imaged.find((rig) => rig !== one) ?? one;
    return (
        <Dialog open={letter !== null} onOpenChange={(open) => !open && onClose()} title={say.wipe} text={say.wipeText} wide>
            {one && other && (
                <>
                    <div className="flex flex-wrap justify-between gap-3 pb-2 text-sm">
                        {(
                            [
                                [say.leftSide, one, setLeft],
                                [say.rightSide, other, setRight],
                            ] as const
                        ).map(([name, rig, choose]) => (
                            <label key={name}>
                                <span className="text-soft">{name}</span>{' '}
                                <select
                                    className="max-w-56 border-b border-ink bg-transparent"
                                    value={rig.letter}
                                    onChange={(event) => choose(event.target.value)}
                                >
                                    {imaged.map((each) => (
                                        <option key={each.letter} value={each.letter}>
                                            {each.letter} · {each.name ?? each.title}
                                        </option>
                                    ))}
                                </select>
                            </label>
                        ))}
                    </div>
                    <Both one={one} other={other} target={target} units={units} />
                </>
            )}
        </Dialog>
    );
}

function Both({ one, other, target, units }: { one: Rig; other: Rig; target: Schema['TargetView']; units: Units }) {
    const box = useRef<HTMLDivElement>(null);
    const [width, setWidth] = useState(0);
    const [edge, setEdge] = useState(50);
    useEffect(() => {
        const element = box.current;
        if (!element) return;
        const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.floor(entry.contentRect.width)));
        watch.observe(element);
        return () => watch.disconnect();
    }, []);
    const shown = smallest([one, other]);
    const [first, second] = [
        useMemo(() => shotOf(one, target, shown), [one, target, shown]),
        useMemo(() => shotOf(other, target, shown), [other, target, shown]),
    ];
    const height = Math.round(width * Math.min(aspect(one), aspect(other)));
    const wipe = (event: PointerEvent<HTMLDivElement>) => {
        const at = event.currentTarget.getBoundingClientRect();
        setEdge(Math.round(Math.max(0, Math.min(100, ((event.clientX - at.left) / at.width) * 100))));
    };
    return (
        <div ref={box}>
            {width > 0 && (
                <div
                    className="relative cursor-ew-resize touch-none overflow-hidden border border-ink"
                    style={{ height: height + 2 }}
                    onPointerDown={wipe}
                    onPointerMove={wipe}
                >
                    <PictureCanvas
                        shot={second}
                        width={width - 2}
                        height={height}
                        label={say.frameOf(other.letter, say.targets[target.kind] ?? '')}
                    />
                    <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 - edge}% 0 0)` }}>
                        <PictureCanvas
                            shot={first}
                            width={width - 2}
                            height={height}
                            label={say.frameOf(one.letter, say.targets[target.kind] ?? '')}
                        />
                    </div>
                    <span aria-hidden="true" className="absolute inset-y-0 w-0.5 bg-madder" style={{ left: `${edge}%` }} />
                    <Letter of={one.letter} side="left-1" />
                    <Letter of={other.letter} side="right-1" />
                </div>
            )}
            <label className="mt-2 flex items-center gap-3 text-sm">
                {say.edge}
                <input
                    type="range"
                    min={0}
                    max={100}
                    value={edge}
                    className="flex-1 accent-[var(--brass)]"
                    onChange={(event) => setEdge(Number(event.target.value))}
                />
            </label>
            {shown !== null && <p className="figures pt-1 text-xs text-soft">{say.wipeShows(length(shown, units))}</p>}
        </div>
    );
}

const Letter = ({ of, side }: { of: string; side: string }) => (
    <span aria-hidden="true" className={`figures absolute top-1 bg-plate px-1.5 text-sm font-semibold ${side}`}>
        {of}
    </span>
);
