import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { api, type RigView, type Schema } from '../../../api/client';
import { keys } from '../../../api/queries';
import { light as lightWords } from '../../../strings/light';
import { Button } from '../../../ui/Button';
import { digits, fNumber, length, magnification, type Units } from '../../../ui/figures';
import { Lost } from '../../../ui/Lost';
import { time } from '../../../ui/shutter';
import { MeasureStep } from './MeasureStep';
import { completed, describing, ofSameRig, planOf, type By, type OnStep } from './planned';
import { Positions } from './Positions';
import { RailBlanks } from './RailBlanks';
import { ShotsSentence } from './ShotsSentence';
import { SubjectSide } from './SubjectSide';
import { WayCard } from './WayCard';

interface Props {
    /** Whether it is looked at: else nothing is asked for. */
    active: boolean;
    rig: RigView;
    /** Whether a control is held: figures are those of before it was. */
    held: boolean;
    units: Units;
    busy: boolean;
    onStep: OnStep;
    /** Opens the made-up rail. */
    onLook: () => void;
}

/** One shot and a stack side by side, every way to go through the subject, and where the slices fall. */
export const Shots = memo(function Shots({ active, rig, held, units, busy, onStep, onLook }: Props) {
    const say = lightWords.shots;
    const shots = useQuery({
        queryKey: keys.shots(rig.id, rig.revision),
        queryFn: () => api.shots(rig.id),
        enabled: active,
        placeholderData: ofSameRig<Schema['ShotsView']>(rig.id),
    });
    // Which flash, lamp or rail a plan would take comes with the light.
    const light = useQuery({
        queryKey: keys.light(rig.id, rig.revision),
        queryFn: () => api.light(rig.id),
        enabled: active,
        placeholderData: ofSameRig<Schema['LightView']>(rig.id),
    });
    const [measuring, setMeasuring] = useState(false);
    if (shots.isError && !shots.data) return <Lost error={shots.error} onRetry={() => void shots.refetch()} />;
    const told = shots.data;
    const old = told?.revision !== rig.revision || light.data?.revision !== rig.revision;
    const offered = completed(rig, light.data);
    const tell = describing(rig, onStep, offered);
    const chosen = planOf(rig).by;
    const mm = (value: number) => length(value, units);
    const plan = (by: By) => () => void tell.shot(by).catch(() => undefined);
    const stop = (marked: number | null) => (marked === null ? say.asItIs : say.ring(fNumber(marked)));
    const takes = (seconds: number, frames: number) =>
        `${say.frames(frames)}, ${say.time(time(seconds))}${told?.batteryFrames && frames > told.batteryFrames ? `, ${say.batteries(Math.ceil(frames / told.batteryFrames))}` : ''}.`;
    return (
        <div className={`flex flex-col gap-1 ${held || old ? 'opacity-60' : ''}`} aria-busy={old}>
            <ShotsSentence rig={rig} shots={told} onStep={onStep} />
            <p className="min-h-[18px] text-xs text-soft" role="status">
                {held
                    ? say.readingMoves
                    : told?.depthMm === null
                      ? rig.subject?.depthMm == null
                          ? say.noDepth
                          : lightWords.light.nowhere
                      : told?.depthMm === 0
                        ? say.flat
                        : ''}
            </p>
            {told && told.depthMm !== null && told.depthMm > 0 && (
                <div className="flex flex-wrap gap-3 max-md:flex-col">
                    <SubjectSide shots={told} units={units} />
                    <ul className="grid min-w-0 flex-1 grid-cols-2 gap-2 max-sm:grid-cols-1">
                        {told.singleBlurMm !== null && (
                            <WayCard
                                title={say.single}
                                figure={stop(told.singleAperture)}
                                press={say.planSingle}
                                planned={chosen === 'single'}
                                said={say.planned}
                                disabled={busy}
                                onPress={plan('single')}
                            >
                                {say.blur(
                                    digits(told.singleBlurMm * 1000),
                                    told.singleBlurPixels === null ? '' : digits(told.singleBlurPixels),
                                )}{' '}
                                {say.focusAt(mm(told.depthMm * (told.focusedAt ?? 0.5)))}
                            </WayCard>
                        )}
                        {told.sliceMm !== null && told.frames !== null && (
                            <WayCard title={say.stack} figure={say.frames(told.frames)} press={null}>
                                {say.stackText(stop(told.stackAperture), mm(told.sliceMm), mm(told.sliceMm * (1 - told.overlap)))}{' '}
                                {told.tried
                                    ? `${say.tried(fNumber(told.tried.sharpest), magnification(told.tried.magnification))} `
                                    : told.stackAperture !== null && `${say.untried} `}
                                {told.scaleChange !== null && say.scale(digits(100 * told.scaleChange))}{' '}
                                {told.seconds !== null && takes(told.seconds, told.frames)}
                            </WayCard>
                        )}
                    </ul>
                </div>
            )}
            {told && told.sliceMm !== null && (
                <ul aria-label={say.ways} className="grid gap-2 pb-2 [grid-template-columns:repeat(auto-fill,minmax(236px,1fr))]">
                    <WayCard
                        title={say.rail}
                        figure={told.rail ? say.turns(digits(told.rail.turnsAFrame), digits(told.rail.turnsAFrame * told.rail.lines)) : '—'}
                        press={told.rail ? say.planRail : null}
                        planned={chosen === 'rail'}
                        said={say.planned}
                        disabled={busy}
                        onPress={plan('rail')}
                        foot={
                            <div className="pt-1">
                                <RailBlanks rig={rig} offered={offered} rails={light.data?.rails ?? []} onStep={onStep} />
                                {told.rail && (
                                    <>
                                        <a
                                            className="text-xs text-beam underline underline-offset-2"
                                            href={api.railProgramAddress(rig.id)}
                                            download
                                        >
                                            {say.program}
                                        </a>
                                        {' · '}
                                        <button type="button" className="text-xs text-beam underline underline-offset-2" onClick={onLook}>
                                            {say.runIt}
                                        </button>
                                        <Positions
                                            heads={[say.frame, say.at, say.turn, say.line]}
                                            rows={told.rail.at.map((each, n) => [`${n + 1}`, mm(each.mm), `${each.turns}`, `${each.line}`])}
                                        />
                                    </>
                                )}
                            </div>
                        }
                    >
                        {told.rail
                            ? `${say.railText(offered.rail?.name ?? say.rail, mm(told.rail.wayMm))} ${takes(told.rail.seconds, told.rail.frames)}`
                            : (told.railTrouble ?? say.noRail)}
                    </WayCard>
                    <WayCard
                        title={say.byRing}
                        figure={
                            told.ring?.frames[0]
                                ? say.ringFigure(told.ring.frames[0].said, told.ring.frames[told.ring.frames.length - 1]?.said ?? '')
                                : '—'
                        }
                        press={told.ring?.isWhole ? say.planRing : null}
                        planned={chosen === 'ring'}
                        said={say.planned}
                        disabled={busy}
                        onPress={plan('ring')}
                        foot={
                            told.ring?.frames[0] && (
                                <Positions
                                    heads={[say.frame, say.at, say.wideAt]}
                                    rows={told.ring.frames.map((each, n) => [`${n + 1}`, each.said, mm(each.fieldMm)])}
                                />
                            )
                        }
                    >
                        {told.ring === null
                            ? (told.ringTrouble ?? say.noRing)
                            : [
                                  say.ringAt(told.ring.lens),
                                  told.ring.isWhole ? '' : say.ringShort,
                                  told.ring.frames[0]
                                      ? `${takes(told.ring.seconds, told.ring.frames.length)} ${say.ringText(mm(told.ring.frames[0].fieldMm), mm(told.ring.frames[told.ring.frames.length - 1]?.fieldMm ?? 0))}`
                                      : '',
                              ].join(' ')}
                    </WayCard>
                    {told.bracketLens !== null && (
                        <WayCard
                            title={say.camera}
                            figure={told.bracketing ? say.cameraFigure(told.bracketing.setting) : '—'}
                            press={told.bracketing ? say.planCamera : null}
                            planned={chosen === 'bracketing'}
                            said={say.planned}
                            disabled={busy}
                            onPress={plan('bracketing')}
                            foot={
                                told.bracketPart !== null && (
                                    <Button
                                        bare
                                        className="self-start px-0! text-xs! underline underline-offset-2"
                                        onClick={() => setMeasuring(true)}
                                    >
                                        {told.bracketMeasured ? say.measureAgain : say.measure}
                                    </Button>
                                )
                            }
                        >
                            {told.bracketing
                                ? `${say.cameraText(takes(told.bracketing.seconds, told.bracketing.frames).replace(/\.$/, ''), mm(told.bracketing.widestMm))} ${told.bracketing.leavesGap ? say.gaps : ''}`
                                : told.bracketMeasured
                                  ? say.outOfReach
                                  : say.notMeasured(told.bracketLens)}
                        </WayCard>
                    )}
                </ul>
            )}
            {measuring && <MeasureStep rig={rig} onClose={() => setMeasuring(false)} />}
        </div>
    );
});
