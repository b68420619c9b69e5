import { memo, useMemo, useRef, type ComponentProps, type ComponentType, type ReactNode, type Ref } from 'react';
import type { RigView, Schema } from '../../api/client';
import { RigDrawing, type Places, type Pointed } from '../../drawing/RigDrawing';
import { misfits, type ActiveSweep } from '../../rig/displayedReadings';
import { Findings } from '../../rig/Findings';
import { PictureFrame } from '../../rig/PictureFrame';
import { Readings, TwoFigures } from '../../rig/Readings';
import { strings } from '../../strings/index';
import type { Units } from '../../ui/figures';
import { useAllTold, type Told } from '../../ui/told';
import { useFollowed } from '../../ui/useFollowed';
import { Controls } from './Controls';
import { shownOf, useAsked, useIsHeld, useLive, useShown } from './inHand';
import { Move } from './Move';
import { drawnSubject, plannedFlash } from './tabs/drawn';
import type { Light } from './tabs/Light';
import type { Shots } from './tabs/Shots';
import type { Work } from './tabs/WorkTabs';

/* What follows the hand: each of these is drawn again with a step of it, and nothing else of the bench is. */

interface DrawingProps {
    work: Work;
    selected: number;
    onSelect: (item: number) => void;
    units: Units;
    pointed: Pointed | null;
    zoom: number;
    ref: Ref<SVGSVGElement>;
    places: Told<Places>;
}

const none: ReadonlySet<number> = new Set();

/** The rig as it stands under the hand. */
export function HeldDrawing({ work, selected, onSelect, units, pointed, zoom, ref, places }: DrawingProps) {
    const { rig, live, shown } = useShown();
    const asked = useAsked();
    const wrong = useMemo(() => misfits(rig), [rig]);
    // A plan's flash, and the subject before the rig, are drawn while light or shots are worked on.
    const flash = useMemo(() => (work === 'light' ? plannedFlash(rig) : null), [rig, work]);
    const sweep = live?.sweep;
    const tip = useMemo(() => (sweep ? Math.max(...sweep.tipMm) : rig.drawing.tipMm), [sweep, rig]);
    const furthest = useMemo(() => (sweep ? maxOf(sweep.readings.subjectDistanceMm) : rig.drawing.subjectMm), [sweep, rig]);
    // The parts at once, light and subject with the answer.
    if (asked) {
        return (
            <RigDrawing
                drawing={asked.drawing}
                cameraName={rig.camera.name}
                tipMm={asked.drawing.tipMm}
                reachMm={rig.drawing.subjectMm}
                workingDistanceMm={null}
                lightGapDeg={null}
                focus={null}
                misfits={none}
                selected={selected}
                onSelect={onSelect}
                units={units}
                nearMm={null}
                farMm={null}
                zoom={zoom}
                ref={ref}
            />
        );
    }
    return (
        <RigDrawing
            drawing={shown.drawing}
            rest={rig.drawing.parts}
            cameraName={rig.camera.name}
            tipMm={tip}
            reachMm={furthest}
            workingDistanceMm={shown.reading('workingDistanceMm')}
            lightGapDeg={shown.reading('lightGapDeg')}
            focus={shown.focus}
            misfits={wrong}
            selected={selected}
            onSelect={onSelect}
            units={units}
            nearMm={shown.reading('nearMm')}
            farMm={shown.reading('farMm')}
            pointed={pointed}
            flash={flash}
            subject={work === 'parts' ? null : drawnSubject(rig, shown.reading('nearMm'), shown.reading('farMm'))}
            zoom={zoom}
            ref={ref}
            // While a part is held its scales stay where the hand is.
            {...(live === null && zoom === 1 && { onLaidOut: places.hold })}
        />
    );
}

interface ReadingsProps {
    mends: Schema['MendsView'] | undefined;
    busy: boolean;
    units: Units;
    onPoint: (reading: Pointed | null) => void;
    onMend: (mend: Schema['MendView']) => void;
}

/** What the rig does, and what is to be said of it. */
export function HeldReadings(props: ReadingsProps) {
    const { rig, live } = useShown();
    const here = useRef<HTMLDivElement>(null);
    return (
        <div ref={here}>
            <ReadingsOf {...props} rig={rig} live={useFollowed(here, live, rig)} />
        </div>
    );
}

const ReadingsOf = memo(function ReadingsOf({
    rig,
    live,
    mends,
    busy,
    units,
    onPoint,
    onMend,
}: ReadingsProps & { rig: RigView; live: ActiveSweep | null }) {
    const shown = shownOf(rig, live);
    return (
        <>
            <Readings rig={rig} shown={shown} units={units} onPoint={onPoint} />
            <Move key={rig.revision} byMm={live ? null : rig.movesMm} units={units} />
            <Findings
                findings={shown.findings}
                mends={live || mends?.revision !== rig.revision ? [] : mends.mends}
                cautions={rig.cautions}
                busy={busy}
                units={units}
                onMend={onMend}
            />
        </>
    );
});

export function HeldTwoFigures({ units }: { units: Units }) {
    return <TwoFigures shown={useShown().shown} units={units} look={fading(useAsked() !== null)} />;
}

export function HeldFrame({ units }: { units: Units }) {
    const { rig, shown } = useShown();
    return <PictureFrame rig={rig} shown={shown} units={units} />;
}

export function HeldControls({
    places,
    ...props
}: Omit<ComponentProps<typeof Controls>, 'rig' | 'held' | 'places'> & { places: Told<Places> }) {
    const { rig, live } = useShown();
    return <Controls rig={rig} held={live} places={useAllTold(places)} {...props} />;
}

type LightProps = ComponentProps<typeof Light>;
type ShotsProps = ComponentProps<typeof Shots>;

export function HeldLight({ piece: Work, ...props }: Omit<LightProps, 'held'> & { piece: ComponentType<LightProps> }) {
    const live = useLive();
    const here = useRef<HTMLDivElement>(null);
    const followed = useFollowed(here, props.active ? live : null, props.rig);
    return (
        <div ref={here}>
            <Work held={followed} {...props} />
        </div>
    );
}

export function HeldShots({ piece: Work, ...props }: Omit<ShotsProps, 'held'> & { piece: ComponentType<ShotsProps> }) {
    const isHeld = useIsHeld();
    return <Work held={props.active && isHeld} {...props} />;
}

/** What is about to be another is paler, where the answer takes its time. */
const fading = (waits: boolean) => (waits ? 'opacity-40 transition-opacity delay-150 duration-100' : '');

/** Figures that are about to be others. */
export function Following({ children }: { children: ReactNode }) {
    const waits = useAsked() !== null;
    return (
        <div aria-busy={waits} className={fading(waits)}>
            {children}
        </div>
    );
}

/** Figures are those of before what waits, where no sweep tells them. */
export function StillOld() {
    return useIsHeld() ? null : strings.offline.figures;
}

function maxOf(column: readonly (number | null)[] | undefined): number | null {
    let most: number | null = null;
    for (const value of column ?? []) {
        if (value === null) return null;
        if (most === null || value > most) most = value;
    }
    return most;
}
