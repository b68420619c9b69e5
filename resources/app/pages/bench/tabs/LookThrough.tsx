import { useQuery, useQueryClient } from '@tanstack/react-query';
import { memo, useEffect, useRef, useState } from 'react';
import { api, reasonOf, type RigView, type Schema } from '../../../api/client';
import { keys, kitChanged } from '../../../api/queries';
import { useKits } from '../../../kit/useKit';
import { MeasurePicture, type Found } from '../../../measure/MeasurePicture';
import { TrialDialog } from '../../../measure/TrialDialog';
import { compare as compareWords } from '../../../strings/compare';
import { look as lookWords } from '../../../strings/look';
import { Blank } from '../../../ui/Blank';
import { Button } from '../../../ui/Button';
import { digits, fNumber, length, type Units } from '../../../ui/figures';
import { Lost } from '../../../ui/Lost';
import { Pick } from '../../../ui/Pick';
import { shutter, time } from '../../../ui/shutter';
import { Tick } from '../../../ui/Tick';
import { Finder } from './Finder';
import { ofSameRig } from './planned';
import { RailStrip } from './RailStrip';
import { StackStrip } from './StackStrip';
import { TaskStrip } from './TaskStrip';
import { useFinder } from './useFinder';

interface Props {
    /** Whether it is looked at: else nothing is asked for. */
    active: boolean;
    rig: RigView;
    units: Units;
}

const say = lookWords.look;
type Look = Schema['LookView'];
type Source = { blob: Blob; name: string };
const targets = Object.entries(say.targets) as (readonly [Look['target']['kind'], string])[];

/** Full stops out of thirds: as many as a trial needs. */
const full = (stops: readonly number[]) =>
    stops.filter((stop, n) => n === 0 || Math.abs(((2 * Math.log2(stop / (stops[0] ?? 1))) % 1) - 0.5) > 0.3);

/** A made-up camera on a made-up rail looks through the rig: focus, diaphragm, frames, a stack that runs, and what they measure. */
export const LookThrough = memo(function LookThrough({ active, rig, units }: Props) {
    const queries = useQueryClient();
    const { id: ownKit } = useKits();
    const kitId = rig.kitId ?? ownKit;
    const canvas = useRef<HTMLCanvasElement>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState<string | null>(null);
    const [said, setSaid] = useState<string | null>(null);
    const [crop, setCrop] = useState({ x: 0.5, y: 0.5 });
    const [measuring, setMeasuring] = useState<{ source: Source | null; frame: Schema['FrameView'] | null } | null>(null);
    const [trying, setTrying] = useState<Source[] | null>(null);
    const key = keys.look(rig.id, rig.revision);
    const asked = useQuery({
        queryKey: key,
        queryFn: () => api.look(rig.id),
        enabled: active,
        retry: false,
        placeholderData: ofSameRig<Look>(rig.id),
        refetchInterval: (query) => (active && query.state.data?.run?.state === 'running' ? 700 : false),
    });
    const kit = useQuery({ queryKey: keys.kit(kitId), queryFn: () => api.kit(kitId ?? 0), enabled: active && kitId !== undefined });
    const look = asked.data;
    const run = look?.run ?? null;
    const isRunning = run?.state === 'running';
    const isUnderWay = isRunning || run?.state === 'paused';
    const stamp = look ? [rig.revision, look.target.kind, look.closed, look.hidden, look.lost, run?.taken].join(' ') : '';
    const finder = useFinder(rig.id, canvas, 640, active && look !== undefined, stamp);
    useEffect(() => setTrouble(null), [rig.revision]);

    const arrived = (next: Look) => queries.setQueryData(key, next);
    const again = () => void queries.invalidateQueries({ queryKey: key });
    const act = (name: string, what: () => Promise<unknown>) => {
        setBusy(name);
        setTrouble(null);
        setSaid(null);
        void what()
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(null));
    };
    // What is switched shows at once; what that makes of the picture follows. Refused, it is asked how it stands.
    const set = ({ target, ...switched }: Schema['SetLook']) => {
        queries.setQueryData(key, (now: Look | undefined) => now && { ...now, ...switched });
        return api
            .setLook(rig.id, { ...switched, ...(target === undefined ? {} : { target }) })
            .then(arrived)
            .catch((error: unknown) => {
                again();
                throw error;
            });
    };
    if (asked.isError && !look) return <Lost error={asked.error} onRetry={() => void asked.refetch()} />;
    if (!look) return <p className="p-4 text-sm text-soft">{compareWords.compare.developing}</p>;

    const shownMm = finder.shownMm ?? look.railMm;
    const fromNearest = shownMm - (look.middleMm - look.deepMm / 2);
    const take = async (aperture?: number) => {
        const frame = await api.takeFrame(rig.id, { key: crypto.randomUUID(), ...crop, ...(aperture === undefined ? {} : { aperture }) });
        again();
        return frame;
    };
    const fileOf = async (frame: Schema['FrameView']): Promise<Source> => ({
        blob: await api.frameFile(rig.id, frame.id),
        name: frame.name,
    });
    const last = look.frames.find((frame) => frame.run === null) ?? null;
    const measure = (frame: Schema['FrameView']) => act('measure', async () => setMeasuring({ source: await fileOf(frame), frame }));
    const tryAll = () =>
        act('trial', async () => {
            const stops = full(look.stops);
            const found: Source[] = [];
            for (const [n, stop] of stops.entries()) {
                setSaid(say.trying(n, stops.length));
                found.push(await fileOf(await take(stop)));
            }
            setSaid(null);
            setTrying(found);
        });
    /** What was found as a shot of the lens: shown first, with what it settles, then kept. */
    const shotOf = async (found: Found, keep: boolean) => {
        const { shot } = look;
        const part = kit.data?.parts.find((each) => each.part.id === shot?.part);
        if (!shot || !part || kitId === undefined || found.magnification === null) throw new Error(say.noShot);
        return api.measure(kitId, shot.part, {
            version: part.version,
            keep,
            ...(shot.zoomMm === null ? {} : { zoomMm: shot.zoomMm }),
            shots: [
                {
                    camera: shot.camera,
                    reversed: shot.reversed,
                    spacersMm: shot.spacersMm,
                    focus: shot.focus,
                    magnification: found.magnification,
                    magnificationHalfWidth: found.magnificationHalfWidth,
                },
            ],
        });
    };
    const keepShot = async (found: Found) => {
        await shotOf(found, true);
        void kitChanged(queries, undefined);
        setSaid(say.shotKept(look.lens ?? ''));
    };
    const whats = (frame: Schema['FrameView'] | null): Found['what'][] =>
        frame?.target === 'edge'
            ? ['edge']
            : frame?.target === 'rule'
              ? ['rule']
              : frame
                ? ['ruler', 'marks']
                : ['ruler', 'edge', 'rule', 'marks'];
    return (
        <div className="grid gap-x-6 gap-y-3 p-3 lg:grid-cols-[minmax(0,420px)_minmax(0,1fr)]">
            <div className="min-w-0">
                <h2 className="sr-only">{say.title}</h2>
                <Finder
                    look={look}
                    canvas={canvas}
                    isEmpty={finder.isEmpty}
                    free={!isRunning}
                    shownMm={shownMm}
                    crop={crop}
                    units={units}
                    onCrop={setCrop}
                    onMove={finder.goTo}
                />
                <p className="py-1 text-xs text-soft">
                    {say.made}:{' '}
                    {say.madeOf(
                        say.targets[look.target.kind],
                        length(look.target.widthMm, units),
                        look.target.depthMm > 0 && look.target.kind !== 'rule' ? length(look.target.depthMm, units) : null,
                    )}
                    {look.target.divisionMm !== null && `, ${say.ruledIn(length(look.target.divisionMm, units))}`}. {say.crop}
                </p>
                <RailStrip look={look} shownMm={shownMm} />
            </div>
            <div className="grid min-w-0 content-start gap-2">
                <TaskStrip rig={rig.id} look={look} units={units} onArrived={arrived} />
                <dl className="grid grid-cols-[auto_1fr] text-sm [&>*]:border-b [&>*]:border-line [&>*]:py-1.5 [&>dd]:text-right">
                    <dt>{say.before}</dt>
                    <dd>
                        <Pick
                            label={say.before}
                            value={look.target.kind}
                            choices={targets}
                            onChange={(target) => act('set', () => set({ target }))}
                        />
                    </dd>
                    <dt>{say.rail(units === 'mm' ? `${Number(look.unitMm.toFixed(5))}\u2009mm` : length(look.unitMm, units))}</dt>
                    <dd className="figures text-brass">
                        <Blank
                            label={say.railLabel}
                            value={Math.round(shownMm * 1e4) / 1e4}
                            tell={(mm) => String(Math.round(mm * 1e4) / 1e4)}
                            onSet={(mm) => {
                                if (mm !== null) finder.goTo(Math.max(0, Math.min(look.travelMm, mm)));
                                return Promise.resolve();
                            }}
                        />
                    </dd>
                    <dt>{say.diaphragm}</dt>
                    <dd>
                        {look.aperture === null ? (
                            say.none
                        ) : (
                            <button
                                type="button"
                                aria-pressed={look.closed}
                                className="border-b-2 border-dotted border-verdigris text-verdigris"
                                onClick={() => act('set', () => set({ closed: !look.closed }))}
                            >
                                {look.closed ? say.isClosed(fNumber(look.aperture)) : say.isOpen(fNumber(look.widest ?? look.aperture))}
                                {' · '}
                                {look.closed ? say.hold : say.close}
                            </button>
                        )}
                    </dd>
                    <dt>{say.sharp}</dt>
                    <dd className="figures" data-testid="sharp">
                        {look.task === 'focus' ? (
                            say.tasks.hidden
                        ) : (
                            <SharpNow look={look} fromNearest={fromNearest} offMm={shownMm - look.middleMm} units={units} />
                        )}
                    </dd>
                    <dt>{say.light}</dt>
                    <dd>
                        <span className="figures">
                            {look.isMetered ? say.metered(shutter(look.exposureS)) : say.exposed(shutter(look.exposureS), digits(look.iso))}
                        </span>{' '}
                        <Blank label={say.stopsMore} value={look.exposureStops} onSet={(stops) => set({ exposureStops: stops ?? 0 })} />{' '}
                        {say.stopsOff}
                    </dd>
                </dl>
                {run && (isUnderWay || run.state === 'failed' || run.state === 'done') && <StackStrip run={run} />}
                {(trouble ?? finder.trouble ?? look.trouble) !== null && (
                    <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                        {trouble ?? finder.trouble ?? look.trouble}{' '}
                        <button
                            type="button"
                            className="text-beam underline underline-offset-2"
                            onClick={() => {
                                setTrouble(null);
                                again();
                                finder.goTo(null);
                            }}
                        >
                            {say.retry}
                        </button>
                    </p>
                )}
                <p role="status" className="min-h-5 text-sm text-verdigris">
                    {busy === 'frame' ? say.taking : said}
                </p>
                <div className="flex flex-wrap gap-2">
                    {isRunning ? (
                        <Button
                            strong
                            disabled={busy !== null}
                            onClick={() => act('run', () => api.setRun(rig.id, run.id, 'pause').then(again))}
                        >
                            {say.pause}
                        </Button>
                    ) : run && (run.state === 'paused' || run.state === 'failed') ? (
                        <Button
                            strong
                            disabled={busy !== null}
                            onClick={() => act('run', () => api.setRun(rig.id, run.id, 'go on').then(again))}
                        >
                            {say.goOn}
                        </Button>
                    ) : (
                        look.stackFrames !== null && (
                            <Button
                                strong
                                disabled={busy !== null}
                                title={say.runTakes(look.stackFrames, time(look.stackSeconds ?? 0))}
                                onClick={() => act('run', () => api.runStack(rig.id).then(again))}
                            >
                                {say.run}: {say.runTakes(look.stackFrames, time(look.stackSeconds ?? 0))}
                            </Button>
                        )
                    )}
                    {run && (isUnderWay || run.state === 'failed') && (
                        <Button disabled={busy !== null} onClick={() => act('run', () => api.setRun(rig.id, run.id, 'stop').then(again))}>
                            {say.stop}
                        </Button>
                    )}
                    <Button
                        strong={look.stackFrames === null && !isUnderWay}
                        disabled={busy !== null || isRunning}
                        onClick={() => act('frame', () => take())}
                    >
                        {say.one}
                    </Button>
                    {last && (look.target.kind === 'ruler' || look.target.kind === 'edge' || look.target.kind === 'rule') && (
                        <Button disabled={busy !== null} onClick={() => measure(last)}>
                            {say.measure}
                        </Button>
                    )}
                    {look.target.kind === 'edge' && look.stops.length > 1 && (
                        <Button disabled={busy !== null || isRunning} onClick={tryAll}>
                            {say.trial}
                        </Button>
                    )}
                </div>
                {look.stackTrouble !== null && look.target.depthMm > 0 && <p className="text-xs text-soft">{look.stackTrouble}</p>}
                {look.frames.length > 0 && (
                    <section aria-label={say.takenFrames}>
                        <h3 className="pt-1 text-xs text-soft">{say.takenFrames}</h3>
                        <ul className="slim-scroll max-h-28 overflow-y-auto text-xs">
                            {look.frames.map((frame) => (
                                <li key={frame.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-line py-0.5">
                                    <a
                                        href={api.frameAddress(rig.id, frame.id)}
                                        download
                                        aria-label={say.download(frame.name)}
                                        className="truncate text-beam underline underline-offset-2"
                                    >
                                        {frame.name}
                                    </a>
                                    <span className="figures text-soft">
                                        {frame.number === null ? '' : `${say.stack(frame.number + 1)} · `}
                                        {frame.railMm.toFixed(2)} · {say.sizeOf(frame.width, frame.height, look.columns, look.rows)}
                                    </span>
                                    {frame.run === null && (
                                        <button
                                            type="button"
                                            aria-label={say.drop(frame.name)}
                                            className="ml-auto px-1 text-soft hover:text-ink"
                                            onClick={() => act('drop', () => api.dropFrame(rig.id, frame.id).then(arrived))}
                                        >
                                            ×
                                        </button>
                                    )}
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
                <div className="flex flex-wrap gap-x-4 gap-y-1 text-xs">
                    <button
                        type="button"
                        className="text-beam underline underline-offset-2"
                        onClick={() => setMeasuring({ source: null, frame: null })}
                    >
                        {say.ownPictures}
                    </button>
                    <button type="button" className="text-beam underline underline-offset-2" onClick={() => setTrying([])}>
                        {say.ownTrial}
                    </button>
                    <a className="text-beam underline underline-offset-2" href={api.railProgramAddress(rig.id)} download>
                        {say.gcode}
                    </a>
                </div>
                <div className="grid gap-1 text-xs">
                    <Tick checked={look.hidden} onChange={(hidden) => act('set', () => set({ hidden }))}>
                        {say.hidden}
                    </Tick>
                    {look.hidden && (
                        <div className="pl-5 text-soft">
                            {say.lesson}
                            <ol className="list-decimal pl-4">
                                {say.steps.map((step) => (
                                    <li key={step}>{step}</li>
                                ))}
                            </ol>
                        </div>
                    )}
                    <Tick checked={look.lost} onChange={(lost) => act('set', () => set({ lost }))}>
                        {say.lost}
                    </Tick>
                    {look.lost && <p className="pl-5 text-soft">{say.lostText}</p>}
                    <p className="text-soft">{say.stands}</p>
                </div>
            </div>
            {measuring && kit.data && (
                <MeasurePicture
                    kit={kit.data}
                    source={measuring.source}
                    whats={whats(measuring.frame)}
                    divisionMm={measuring.frame?.divisionMm ?? null}
                    leanDeg={look.target.leanDeg}
                    magnification={rig.readings.magnification}
                    keep={
                        measuring.frame?.target === 'edge' || measuring.frame?.target === 'rule' || look.shot === null
                            ? say.note
                            : say.keepShot(look.lens ?? '')
                    }
                    {...(look.shot !== null && { settles: (found: Found) => shotOf(found, false) })}
                    onKeep={(found) =>
                        found.magnification !== null && look.shot !== null
                            ? keepShot(found)
                            : setSaid(found.mtf50 !== null ? say.noted : say.noShot)
                    }
                    onClose={() => setMeasuring(null)}
                />
            )}
            {trying !== null && kit.data && <TrialDialog kit={kit.data} rig={rig.id} pictures={trying} onClose={() => setTrying(null)} />}
        </div>
    );
});

/** Which part of the target is sharp where the rail stands, from its nearest point on. */
function SharpNow({ look, fromNearest, offMm, units }: { look: Look; fromNearest: number; offMm: number; units: Units }) {
    if (look.nearMm === null || look.farMm === null) return '—';
    if (look.target.depthMm === 0)
        return offMm <= look.nearMm && -offMm <= look.farMm
            ? say.inFocus
            : say.off(length(Math.abs(offMm), units), offMm > 0 ? 'before' : 'behind');
    const [from, to] = [Math.max(0, fromNearest - look.nearMm), Math.min(look.deepMm, fromNearest + look.farMm)];
    return to <= from ? say.nothingSharp : say.deep(length(from, units), length(to, units));
}
