import { DndContext, MouseSensor, pointerWithin, TouchSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { api, Refused, type Schema, type Step, type SweepView, type TravelView } from '../../api/client';
import { keys } from '../../api/queries';
import { askedDrawing, type Lying } from '../../drawing/asked';
import { download, svgOf } from '../../drawing/exportSvg';
import { jointItem, partItem, type Places, type Pointed } from '../../drawing/RigDrawing';
import { fNumber, length, magnification } from '../../ui/figures';
import { waitingSet, waitingValues } from '../../offline/waiting';
import { Bar, History } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { KeepDialog } from '../../ui/KeepDialog';
import { fetchAhead, later } from '../../ui/later';
import { Lost } from '../../ui/Lost';
import { ChainList } from './ChainList';
import { nearest } from '../../strip/ownScale';
import type { ActiveSweep, ReadingName } from '../../rig/displayedReadings';
import { Derivation } from '../../rig/Readings';
import { Following, HeldControls, HeldDrawing, HeldFrame, HeldLight, HeldReadings, HeldShots, HeldTwoFigures, StillOld } from './Held';
import { told } from '../../ui/told';
import { BenchContext, liveOf, shownOf, type Asked } from './inHand';
import { News } from './News';
import { RigMenu, ShareDialog } from './RigMenu';
import { asksNear } from './asksNear';
import { SetTo } from './SetTo';
import { lyingIn, trayAt } from './trayAt';
import { useRig, useSweeps } from './useRig';
import { works, WorkTabs, type Work } from './tabs/WorkTabs';

// What isn't seen at first comes once the bench stands.
const trayToCome = <div className="flex-1 max-lg:min-h-[459px]" aria-busy />;
const TrayPanel = later(
    async () => (await import('./TrayPanel')).TrayPanel,
    (words) => words ?? trayToCome,
);
const Light = later(async () => (await import('./tabs/Light')).Light);
const Shots = later(async () => (await import('./tabs/Shots')).Shots);
const LookThrough = later(async () => (await import('./tabs/LookThrough')).LookThrough);
const ChartsDialog = later(async () => (await import('./Charts')).ChartsDialog);
const DescribeDialog = later(async () => (await import('./DescribeDialog')).DescribeDialog);
const RigsDialog = later(async () => (await import('./RigsDialog')).RigsDialog);
const StatesDialog = later(async () => (await import('./StatesDialog')).StatesDialog);
const ConflictDialog = later(async () => (await import('./ConflictDialog')).ConflictDialog);
const FirstRigs = later(async () => (await import('./FirstRigs')).FirstRigs);
const pieces = [
    TrayPanel,
    ConflictDialog,
    DescribeDialog,
    Light,
    Shots,
    ChartsDialog,
    StatesDialog,
    RigsDialog,
    ShareDialog,
    Derivation,
    LookThrough,
    FirstRigs,
];

interface Props {
    id: number;
    person: Schema['Person'];
    rigs: Schema['RigSummary'][];
}

/** The bench: the rig drawn to scale, its controls, the tray, and what it does. */
export function Bench({ id, person, rigs }: Props) {
    const { units, letterKeys } = usePreferences();
    const navigate = useNavigate();
    const queries = useQueryClient();
    const { query, change, step, undo, redo, rename, waiting } = useRig(id, person.id);
    const rig = query.data;
    const { refetch } = query;
    const again = useCallback(() => void refetch(), [refetch]);
    const sweeps = useSweeps(rig);
    const [ready, setReady] = useState<number | null>(null);
    const [painted, setPainted] = useState(false);
    const mends = useQuery({
        queryKey: keys.mends(id, rig?.revision),
        queryFn: () => api.mends(id),
        // Trying mends out takes the server longest: the sweeps go first.
        enabled: rig !== undefined && rig.findings.length > 0 && ready === rig.revision,
    });
    const [hand] = useState(told<ActiveSweep>);
    const [remade] = useState(told<Asked>);
    const [fetching, setFetching] = useState<string | null>(null);
    const [selected, setSelected] = useState<number | null>(null);
    const [keeping, setKeeping] = useState(false);
    const [swapping, setSwapping] = useState<number | null>(null);
    const [dialog, setDialog] = useState<'charts' | 'describe' | 'rigs' | 'states' | null>(null);
    const [pointed, setPointed] = useState<Pointed | null>(null);
    // From elsewhere one may come to a tab.
    const [asked] = useSearchParams();
    const first = works.find((each) => each === asked.get('work')) ?? 'parts';
    const [work, setWork] = useState<Work>(first);
    const [opened, setOpened] = useState<ReadonlySet<Work>>(new Set(['parts', first]));
    const openWork = useCallback((next: Work) => {
        setWork(next);
        setOpened((before) => (before.has(next) ? before : new Set([...before, next])));
    }, []);
    const openLook = useCallback(() => openWork('look'), [openWork]);
    const [zoom, setZoom] = useState(1);
    const [places] = useState(told<Places>);
    const drawn = useRef<SVGSVGElement>(null);
    const chain = useRef<HTMLDivElement>(null);
    const narrow = useRef<HTMLInputElement>(null);
    const wanted = useRef<{ travel: string; row: number } | null>(null);

    const count = rig?.chain.length ?? 0;
    const item = Math.max(0, Math.min(selected ?? 2 * count + 1, 2 * count + 1));
    const index = item === 0 ? 0 : Math.floor((item - 1) / 2) + (item % 2 === 0 ? 1 : 0);
    const tooFew = item === 0 ? 0 : index;

    // What waits to be sent of one control is still looked up in its sweep.
    const set = waitingSet(waiting.steps);
    const kept = set === null ? undefined : sweeps.ready(set.travel);
    const resting = useMemo(() => (set && kept ? { sweep: kept, row: nearest(kept.positions, set.value) } : null), [set?.value, kept]); // eslint-disable-line react-hooks/exhaustive-deps -- a set is made anew each time
    const parked = useMemo(() => waitingValues(waiting.steps), [waiting.steps]);
    const bench = useMemo(() => (rig ? { rig, hand, asked: remade, resting } : null), [rig, hand, remade, resting]);

    // What the hand asked for is shown as soon as its sweep at the rig's present setting is here, and nothing before that:
    // while a step is under way, the sweeps at hand are those of the setting before it.
    const pending = change.isPending;
    const follow = useCallback(
        (travel: string) => {
            if (pending) return;
            const show = (sweep: SweepView) => {
                const target = wanted.current;
                if (target?.travel === travel) hand.hold({ sweep, row: target.row });
            };
            const here = sweeps.ready(travel);
            if (here) {
                show(here);
                return;
            }
            setFetching(travel);
            sweeps
                .fetch(travel)
                .then(show)
                .catch(() => undefined)
                .finally(() => setFetching((name) => (name === travel ? null : name)));
        },
        [sweeps, pending, hand],
    );

    const take = useCallback((travel: TravelView) => follow(travel.name), [follow]);

    const move = useCallback(
        (travel: TravelView, row: number) => {
            wanted.current = { travel: travel.name, row };
            follow(travel.name);
        },
        [follow],
    );

    const leave = useCallback(
        (travel: TravelView) => {
            const target = wanted.current;
            wanted.current = null;
            const value = target?.travel === travel.name ? travel.positions[target.row] : undefined;
            if (value === undefined || value === travel.value) {
                hand.hold(null);
                return;
            }
            step({ action: 'set', travel: travel.name, value })
                .catch(() => undefined)
                .finally(() => {
                    // What waits is shown from the waiting steps: nothing springs back.
                    if (wanted.current === null) hand.hold(null);
                });
        },
        [step, hand],
    );

    const reach = useCallback((travel: TravelView) => void sweeps.fetch(travel.name).catch(() => undefined), [sweeps]);

    // A control that was taken hold of while a step was under way follows the hand from here on.
    useEffect(() => {
        if (wanted.current) follow(wanted.current.travel);
    }, [follow]);

    // Sweeps of all controls are fetched ahead, so that taking hold of one answers at once; the one that the hand comes to
    // first of all. The wait is for steps that follow each other at once.
    const revision = rig?.revision;
    useEffect(() => {
        if (!rig) return;
        const timer = setTimeout(() => {
            void Promise.allSettled(rig.travels.map(({ name }) => sweeps.fetch(name))).then(() => setReady(rig.revision));
        }, 40);
        return () => clearTimeout(timer);
        // eslint-disable-next-line react-hooks/exhaustive-deps -- once per revision
    }, [revision]);

    // Parts are drawn off and on as soon as it is asked; their figures come with the answer.
    const remake = useCallback(
        async (what: Step, index: number, off: number, on: readonly Lying[]) => {
            const mine =
                rig && remade.read() === null ? { revision: rig.revision, drawing: askedDrawing(rig.drawing, index, off, on) } : null;
            if (mine) remade.hold(mine);
            try {
                return await step(what);
            } finally {
                if (mine && remade.read() === mine) remade.hold(null);
            }
        },
        [rig, step, remade],
    );
    // Figures and drawing first: the tray comes when they have been painted.
    const isHere = rig !== undefined;
    useEffect(() => {
        if (!isHere) return;
        const frame = requestAnimationFrame(() => setTimeout(() => startTransition(() => setPainted(true))));
        return () => cancelAnimationFrame(frame);
    }, [isHere]);

    const select = useCallback(
        (next: number) => {
            setSelected(next);
            if (work === 'parts') chain.current?.focus();
        },
        [work],
    );

    const stands = ready !== null;
    useEffect(() => (stands ? fetchAhead(pieces) : undefined), [stands]);

    const insert = useCallback(
        async (on: readonly Lying[], at = tooFew) => {
            chain.current?.focus();
            const parts = on.map(({ part }) => part.id);
            if (swapping !== null) {
                setSwapping(null);
                const [part] = parts;
                if (part !== undefined) await remake({ action: 'swap', index: swapping, part }, swapping, 1, on);
                return;
            }
            await remake({ action: 'insert', index: at, parts }, at, 0, on);
            setSelected(jointItem(at + parts.length));
        },
        [remake, tooFew, swapping],
    );
    const shiftPart = useCallback(
        async (from: number, to: number) => {
            if (to === from || to < 0 || to >= count) return;
            await step({ action: 'move', index: from, to });
            setSelected(partItem(to));
        },
        [step, count],
    );
    // A part carried to a joint: from the tray with the rings it needs there, along the axis by itself.
    const drop = ({ active, over }: DragEndEvent) => {
        const at = (over?.data.current as { joint?: number } | undefined)?.joint;
        const { part: taken, index: from } = (active.data.current ?? {}) as { part?: number; index?: number };
        if (at === undefined || !rig) return;
        if (from !== undefined) {
            void shiftPart(from, at > from ? at - 1 : at).catch(() => undefined);
        } else if (taken !== undefined) {
            setSwapping(null);
            queries
                .query(trayAt(rig, at))
                .then((tray) => insert(lyingIn(tray, taken), at))
                .catch(() => undefined);
        }
    };
    // A touch that moves at once scrolls; held a moment, it takes the part.
    const sensors = useSensors(
        useSensor(MouseSensor, { activationConstraint: { distance: 8 } }),
        useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 8 } }),
    );
    const takeOff = useCallback(
        async (at: number) => {
            await remake({ action: 'remove', index: at }, at, 1, []);
            setSelected(jointItem(at));
        },
        [remake],
    );
    const turn = useCallback((at: number) => void step({ action: 'turn', index: at }).catch(() => undefined), [step]);
    const makeshift = useCallback(
        (at: number, used: boolean) => void step({ action: 'makeshift', index: at, used }).catch(() => undefined),
        [step],
    );

    if (query.isError && !rig) {
        return (
            <>
                <Bar person={person}>{null}</Bar>
                <main id="main" className="p-6">
                    <Lost error={query.error} onRetry={again} />
                    <p className="flex items-center gap-4 pt-4">
                        <Button onClick={() => void navigate('/bench')}>{strings.bench.rigs}</Button>
                        {query.error instanceof Refused && query.error.status === 422 && (
                            <a className="text-beam underline underline-offset-2" href={api.fileAddress(id)} download>
                                {strings.rigs.takeFile}
                            </a>
                        )}
                    </p>
                </main>
            </>
        );
    }

    const part = item > 0 && item % 2 === 0 ? item / 2 - 1 : null;
    const swap = (at: number) => {
        setSwapping(at);
        narrow.current?.focus();
    };
    const exportSvg = () => {
        if (!drawn.current || !rig || !bench) return;
        const shown = shownOf(rig, liveOf(bench, hand.read()));
        const told = (name: ReadingName, tell: (value: number) => string) => {
            const value = shown.reading(name);
            return value === null ? '—' : tell(value);
        };
        const say = strings.readings;
        const mm = (value: number) => length(value, units);
        const title = rig.name ?? strings.bench.unnamed;
        download(
            svgOf(drawn.current, title, [
                `${say.magnification} ${told('magnification', magnification)} · ${say.workingDistance} ${told('workingDistanceMm', mm)} · ${say.field} ${told('fieldWidthMm', mm)} · ${say.effectiveAperture} ${told('effectiveAperture', fNumber)} · ${say.slice} ${told('depthOfFieldMm', mm)}`,
                [
                    rig.camera.name,
                    ...rig.chain.map((each) => [each.name + (each.reversed ? ', reversed' : ''), each.setting].filter(Boolean).join(' · ')),
                ].join(' | '),
            ]),
            `${title.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.svg`,
            'image/svg+xml',
        );
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (!rig) return;
        if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
            event.preventDefault();
            if (event.shiftKey) redo();
            else undo();
            return;
        }
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        // Shift and an arrow move the chosen part's own scale by one step.
        if (event.shiftKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
            const travel = rig.travels.find((each) => each.index === part);
            const row = travel?.positions.findIndex((value) => Math.abs(value - travel.value) < 1e-9) ?? -1;
            const value = travel?.positions[row + (event.key === 'ArrowRight' ? 1 : -1)];
            event.preventDefault();
            if (travel && row >= 0 && value !== undefined) void step({ action: 'set', travel: travel.name, value }).catch(() => undefined);
            return;
        }
        const act: Record<string, () => void> = {
            ArrowLeft: () => setSelected(Math.max(0, item - 1)),
            ArrowRight: () => setSelected(Math.min(2 * count + 1, item + 1)),
            Home: () => setSelected(0),
            End: () => setSelected(2 * count + 1),
            Enter: () => narrow.current?.focus(),
            i: () => narrow.current?.focus(),
            k: () => narrow.current?.focus(),
            Backspace: () => part !== null && void takeOff(part).catch(() => undefined),
            Delete: () => part !== null && void takeOff(part).catch(() => undefined),
            '[': () => part !== null && void shiftPart(part, part - 1).catch(() => undefined),
            ']': () => part !== null && void shiftPart(part, part + 1).catch(() => undefined),
            x: () => part !== null && swap(part),
            Escape: () => setSwapping(null),
            v: () => part !== null && rig.chain[part]?.turns && turn(part),
            s: () => setKeeping(true),
            ...Object.fromEntries(works.map((each, n) => [`${n + 1}`, () => openWork(each)])),
        };
        // Letters and signs act only where somebody wants them to.
        if (event.key.length === 1 && !letterKeys) return;
        const action = act[event.key.length === 1 ? event.key.toLowerCase() : event.key];
        if (action) {
            event.preventDefault();
            action();
        }
    };

    return (
        <BenchContext value={bench}>
            <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
                <div className="flex min-h-dvh flex-col lg:h-dvh">
                    <Bar person={person}>
                        <History
                            undo={waiting.steps.length > 0 ? strings.offline.last : (rig?.history.undo ?? null)}
                            redo={rig?.history.redo ?? null}
                            busy={change.isPending}
                            onUndo={undo}
                            onRedo={redo}
                        />
                    </Bar>
                    {bench && <HeldTwoFigures units={units} />}
                    <main id="main" className="grid min-h-0 flex-1 max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_412px]">
                        <div className="flex min-h-0 min-w-0 flex-col px-4 pt-2">
                            <div className="flex flex-wrap items-center gap-x-3">
                                <h1 className="truncate text-lg font-semibold">{rig?.name ?? strings.bench.unnamed}</h1>
                                <span className="text-xs whitespace-nowrap text-soft" role="status">
                                    {waiting.steps.length > 0
                                        ? strings.offline.waiting(waiting.steps.length)
                                        : change.isPending
                                          ? strings.bench.saving
                                          : change.isError && !asksNear(change.error)
                                            ? strings.bench.notSaved
                                            : rig && waiting.asked
                                              ? strings.bench.saved
                                              : ''}
                                </span>
                                <div className="no-print ml-auto flex items-center gap-1 whitespace-nowrap">
                                    <Button className="py-1!" disabled={!rig} onClick={() => setDialog('describe')}>
                                        {strings.bench.describe}
                                    </Button>
                                    {rig && <SetTo rig={rig} onStep={step} />}
                                    <Button bare disabled={!rig || rig.travels.length === 0} onClick={() => setDialog('charts')}>
                                        {strings.bench.charts}
                                    </Button>
                                    <RigMenu
                                        id={id}
                                        rigs={rigs}
                                        name={rig?.name ?? null}
                                        onKeep={() => setKeeping(true)}
                                        onAll={() => setDialog('rigs')}
                                        onStates={() => setDialog('states')}
                                        onSvg={rig ? exportSvg : null}
                                    />
                                </div>
                            </div>
                            {change.isError && !asksNear(change.error) && (
                                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                                    {change.error.message || strings.bench.lost}
                                </p>
                            )}
                            {waiting.steps.length > 0 && (
                                <p role="alert" className="border-l-[3px] border-brass pl-2 text-sm">
                                    {strings.offline.waits} {bench && <StillOld />}
                                </p>
                            )}
                            {waiting.trouble !== null && (
                                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                                    {strings.offline.refused(waiting.trouble)}
                                </p>
                            )}
                            <div className="relative isolate min-h-[300px] flex-1 max-lg:h-[390px] max-lg:flex-none" onKeyDown={onKeyDown}>
                                {bench && (
                                    <HeldDrawing
                                        work={work}
                                        selected={item}
                                        onSelect={select}
                                        units={units}
                                        pointed={pointed}
                                        zoom={zoom}
                                        ref={drawn}
                                        places={places}
                                    />
                                )}
                                {rig && (
                                    <div className="no-print absolute top-7 right-0 flex" role="group" aria-label={strings.bench.drawing}>
                                        <Button
                                            bare
                                            aria-label={strings.bench.zoomOut}
                                            disabled={zoom <= 1}
                                            onClick={() => setZoom(Math.max(1, zoom / 1.5))}
                                        >
                                            −
                                        </Button>
                                        {zoom > 1 && (
                                            <Button bare onClick={() => setZoom(1)}>
                                                {strings.bench.fit}
                                            </Button>
                                        )}
                                        <Button
                                            bare
                                            aria-label={strings.bench.zoomIn}
                                            disabled={zoom >= 5}
                                            onClick={() => setZoom(zoom * 1.5)}
                                        >
                                            +
                                        </Button>
                                    </div>
                                )}
                            </div>
                            {rig && (
                                <>
                                    {rig.news.length > 0 && <News rig={rig} />}
                                    <HeldControls
                                        places={places}
                                        fetching={fetching}
                                        units={units}
                                        onReach={reach}
                                        onTake={take}
                                        onMove={move}
                                        onLeave={leave}
                                        parked={parked}
                                        onSet={(travel, value) =>
                                            void step({ action: 'set', travel: travel.name, value }).catch(() => undefined)
                                        }
                                    />
                                    <WorkTabs
                                        work={work}
                                        onWork={openWork}
                                        panels={{
                                            parts: (
                                                <>
                                                    <ChainList
                                                        ref={chain}
                                                        rig={rig}
                                                        selected={item}
                                                        onSelect={setSelected}
                                                        onKeyDown={onKeyDown}
                                                        onTakeOff={(at) => void takeOff(at).catch(() => undefined)}
                                                        onTurn={turn}
                                                        onMakeshift={makeshift}
                                                        onSwap={swap}
                                                        onMove={(at, by) => void shiftPart(at, at + by).catch(() => undefined)}
                                                        onCamera={(camera) =>
                                                            void step({ action: 'camera', part: camera }).catch(() => undefined)
                                                        }
                                                    />
                                                    {rig.chain.length === 0 && <FirstRigs />}
                                                    <div className="flex min-h-0 gap-4 border-t border-line lg:h-[212px]">
                                                        {painted ? (
                                                            <TrayPanel
                                                                ref={narrow}
                                                                rig={rig}
                                                                index={swapping ?? tooFew}
                                                                swapping={swapping === null ? null : (rig.chain[swapping]?.name ?? null)}
                                                                busy={change.isPending}
                                                                onInsert={insert}
                                                                onLeave={() => {
                                                                    setSwapping(null);
                                                                    chain.current?.focus();
                                                                }}
                                                            />
                                                        ) : (
                                                            trayToCome
                                                        )}
                                                        <Following>
                                                            <HeldFrame units={units} />
                                                        </Following>
                                                    </div>
                                                </>
                                            ),
                                            light: opened.has('light') && (
                                                <HeldLight
                                                    piece={Light}
                                                    active={work === 'light'}
                                                    rig={rig}
                                                    ready={ready === rig.revision}
                                                    units={units}
                                                    busy={change.isPending}
                                                    onStep={step}
                                                />
                                            ),
                                            shots: opened.has('shots') && (
                                                <HeldShots
                                                    piece={Shots}
                                                    active={work === 'shots'}
                                                    rig={rig}
                                                    units={units}
                                                    busy={change.isPending}
                                                    onStep={step}
                                                    onLook={openLook}
                                                />
                                            ),
                                            look: opened.has('look') && <LookThrough active={work === 'look'} rig={rig} units={units} />,
                                        }}
                                    />
                                </>
                            )}
                        </div>
                        <aside
                            className="slim-scroll isolate border-line bg-plate px-5 py-2 lg:overflow-y-auto lg:border-l"
                            aria-label={strings.readings.title}
                        >
                            {bench && (
                                <Following>
                                    <HeldReadings
                                        mends={mends.data}
                                        busy={change.isPending}
                                        units={units}
                                        onPoint={setPointed}
                                        onMend={(mend) => void step(mend.step).catch(() => undefined)}
                                    />
                                </Following>
                            )}
                        </aside>
                    </main>
                    {rig && dialog === 'charts' && <ChartsDialog rig={rig} units={units} onClose={() => setDialog(null)} />}
                    {rig && dialog === 'describe' && <DescribeDialog rig={rig} onStep={step} onClose={() => setDialog(null)} />}
                    {rig && dialog === 'rigs' && <RigsDialog rig={rig} onClose={() => setDialog(null)} />}
                    {rig && dialog === 'states' && <StatesDialog rig={rig} units={units} onClose={() => setDialog(null)} />}
                    {rig && waiting.conflict && (
                        <ConflictDialog rig={rig} waiting={waiting} theirs={waiting.conflict.theirs} units={units} />
                    )}
                    {rig && (
                        <KeepDialog
                            open={keeping}
                            onClose={() => setKeeping(false)}
                            title={strings.dialog.keepTitle}
                            text={strings.dialog.keepText}
                            name={rig.name}
                            nameless
                            onKeep={rename}
                        />
                    )}
                </div>
            </DndContext>
        </BenchContext>
    );
}
