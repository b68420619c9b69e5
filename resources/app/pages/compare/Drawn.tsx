import { usePreferences } from '../../shell/preferences';
import { hasOwnKeys } from '../../shell/PlaceKeys';
import { memo, useEffect, useMemo, useRef, useState, type ComponentProps, type ReactNode } from 'react';
import type { ComparisonQuery, Schema } from '../../api/client';
import type { Units } from '../../ui/figures';
import { Aligned, type Acts } from './Aligned';
import { Figures } from './Figures';
import { Frames } from './Frames';
import { ComparedContext, useIsHeld, useRigs } from './inHand';
import { useFollowed } from '../../ui/useFollowed';
import { useHand } from './useHand';
import { Verdict } from './Verdict';
import { Wipe } from './Wipe';

interface Props {
    told: Schema['ComparisonView'];
    /** What is told is still that of before the last change. */
    isOld: boolean;
    query: ComparisonQuery;
    set: readonly string[];
    units: Units;
    onSet: (set: string[]) => void;
    onDrop: (id: number) => void;
    onBench: (id: number) => void;
}

/** More columns than these don't stand beside the drawings. */
const beside = 4;

/** Up to nine rigs drawn: under each other on the left, their frames, strips and what it comes to on the right. */
export function Drawn({ told, isOld, query, set, units, onSet, onDrop, onBench }: Props) {
    const { letterKeys } = usePreferences();
    const [wanted, setWanted] = useState('A');
    const [large, setLarge] = useState<string | null>(null);
    const [cropped, setCropped] = useState(false);
    const { inHand, hand } = useHand(set, onSet, told, isOld);
    const compared = useMemo(() => ({ told, inHand }), [told, inHand]);
    const chosen = told.rigs.find(({ letter }) => letter === wanted) ?? told.rigs[0];
    const now = useRef({ set, onSet, onDrop, onBench });
    useEffect(() => {
        now.current = { set, onSet, onDrop, onBench };
    });
    const [acts] = useState<Acts>({
        choose: setWanted,
        drop: (id) => now.current.onDrop(id),
        bench: (id) => now.current.onBench(id),
        release: (letter) => now.current.onSet(now.current.set.filter((each) => !each.startsWith(`${letter}:`))),
    });

    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            const at = event.target instanceof HTMLElement ? event.target : null;
            if (event.ctrlKey || event.metaKey || event.altKey || hasOwnKeys(event.target)) return;
            const letter = event.key.toUpperCase();
            if (event.key.length === 1 && !letterKeys) return;
            if (event.key === 'Enter' && at?.closest('button, a, summary')) return;
            else if (!event.shiftKey && told.rigs.some((rig) => rig.letter === letter)) setWanted(letter);
            else if (event.key === 'w' && chosen) setLarge(chosen.letter);
            else if (event.key === 'm') setCropped((on) => !on);
            else if (event.key === 'Enter' && chosen) onBench(chosen.id);
            else if (event.key === 'Delete' && chosen) onDrop(chosen.id);
            else return;
            event.preventDefault();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });

    const verdict = <HeldVerdict told={told} units={units} />;
    return (
        <ComparedContext value={compared}>
            <div aria-busy={isOld} className="grid gap-x-6 lg:grid-cols-[minmax(0,572px)_minmax(0,1fr)]">
                <div className="min-w-0">
                    <Aligned rigs={told.rigs} units={units} query={query} hand={hand} chosen={chosen?.letter ?? ''} acts={acts} />
                </div>
                <Below told={told} units={units} cropped={cropped} onCrop={setCropped} onOpen={setLarge}>
                    {told.rigs.length <= beside && verdict}
                </Below>
                {told.rigs.length > beside && <div className="lg:col-span-2">{verdict}</div>}
                <HeldWipe target={told.target} units={units} letter={large} onClose={() => setLarge(null)} />
            </div>
        </ComparedContext>
    );
}

/** What it comes to is told when the hand lets go. */
function HeldVerdict({ told, units }: Pick<Props, 'told' | 'units'>) {
    return (
        <div className={useIsHeld() ? 'opacity-50' : ''}>
            <Verdict comparison={told} units={units} />
        </div>
    );
}

const HeldWipe = (props: Omit<ComponentProps<typeof Wipe>, 'rigs'>) => <Wipe rigs={useRigs(props.letter !== null)} {...props} />;

interface BelowProps {
    told: Schema['ComparisonView'];
    units: Units;
    cropped: boolean;
    onCrop: (cropped: boolean) => void;
    onOpen: (letter: string) => void;
    children: ReactNode;
}

/** Frames and strips of all rigs: beside the drawings, on a narrow screen below them. */
function Below({ told, units, cropped, onCrop, onOpen, children }: BelowProps) {
    const here = useRef<HTMLDivElement>(null);
    const followed = useFollowed(here, useRigs(), told);
    return (
        <div ref={here} className="min-w-0 lg:border-l lg:border-line lg:pl-5">
            <FramesOf rigs={followed} target={told.target} units={units} cropped={cropped} onCrop={onCrop} onOpen={onOpen} />
            <FiguresOf rigs={followed} units={units} />
            {children}
        </div>
    );
}

/** Drawn again when a rig of theirs has moved. */
const FramesOf = memo(Frames);
const FiguresOf = memo(Figures);
