import type { RigView, Schema } from '../../../api/client';
import { light as lightWords } from '../../../strings/light';
import { digits, fNumber, length, stops, type Units } from '../../../ui/figures';
import { power, shutter } from '../../../ui/shutter';
import { completed, describing, planOf, type OnStep } from './planned';
import { WayCard } from './WayCard';
import type { LightFigure } from './useLight';

interface Props {
    rig: RigView;
    light: Schema['LightView'] | undefined;
    figure: LightFigure;
    units: Units;
    busy: boolean;
    onStep: OnStep;
}

/** Every way to close the gap between this light and what must stand still, each with its figure and its price, as a button that plans it. */
export function Ways({ rig, light, figure, units, busy, onStep }: Props) {
    const say = lightWords.light;
    const plan = planOf(rig);
    const offered = completed(rig, light);
    const tell = describing(rig, onStep, offered);
    const mm = (value: number) => length(value, units);
    const press = (what: () => Promise<unknown>) => () => void what().catch(() => undefined);
    const left = (name: string) => {
        const value = figure(name) ?? 0;
        return value > 0.05 ? ` ${say.left(stops(value))}` : '';
    };
    const has = (name: string) => typeof figure(name) === 'number';
    const number = (name: string) => figure(name) ?? 0;
    const lampName = offered.lamp?.name ?? say.sources.lamp;
    const ring = rig.travels.find(({ kind }) => kind === 'aperture');
    return (
        <ul aria-label={say.ways} className="grid gap-2 pb-2 [grid-template-columns:repeat(auto-fill,minmax(156px,1fr))]">
            {offered.flash && has('flashNeeded') && (
                <WayCard
                    title={say.flashTitle}
                    figure={has('flashPower') ? say.power(power(number('flashPower'))) : number('flashNeeded') > 1 ? say.weak : say.strong}
                    press={say.planFlash}
                    planned={plan.light === 'flash'}
                    said={say.planned}
                    disabled={busy}
                    onPress={press(() => tell.lit('flash'))}
                >
                    {say.flashText(offered.flash.name ?? say.flashTitle, mm(offered.flash.distanceMm ?? 0))}{' '}
                    {has('flashPower')
                        ? `${say.reach(mm(number('flashNearestMm')), mm(number('flashFurthestMm')))} ${
                              has('flashLeftStops') ? (number('flashLeftStops') > 0 ? say.partly : say.alone) : say.sync
                          }`
                        : number('flashNeeded') > 1
                          ? say.noNearer(mm(number('flashFurthestMm')))
                          : say.noFurther(mm(number('flashNearestMm')))}
                </WayCard>
            )}
            {has('lightTimes') && (
                <WayCard
                    title={say.more}
                    figure={say.times(digits(number('lightTimes')))}
                    press={say.planLamp}
                    planned={plan.light === 'lamp'}
                    said={say.planned}
                    disabled={busy}
                    onPress={press(() => tell.lit('lamp'))}
                >
                    {has('lightLux') && say.lux(digits(number('lightLux')))}{' '}
                    {has('lampMm') ? say.lampAt(lampName, mm(number('lampMm'))) : say.lampUnknown}
                </WayCard>
            )}
            {has('openStop') && (
                <WayCard
                    title={say.open}
                    figure={say.ring(fNumber(number('openStop')))}
                    press={ring ? say.setRing : null}
                    disabled={busy}
                    onPress={press(() =>
                        ring ? onStep({ action: 'set', travel: ring.name, value: number('openStop') }) : Promise.resolve(),
                    )}
                >
                    {has('openSliceMm') && say.slice(mm(number('openSliceMm')), figure('openFrames') ?? null)}
                    {left('openLeftStops')}
                </WayCard>
            )}
            {has('iso') && (
                <WayCard
                    title={say.higher}
                    figure={say.isoFigure(digits(number('iso')))}
                    press={say.setIso}
                    disabled={busy}
                    onPress={press(() => tell.conditions({ iso: Math.round(number('iso')) }))}
                >
                    {say.isoText}
                </WayCard>
            )}
            {has('slowerMmS') && (
                <WayCard
                    title={say.calm}
                    figure={say.calmFigure(digits(number('slowerMmS')))}
                    press={say.setCalm}
                    disabled={busy}
                    onPress={press(() => {
                        const across = (figure('acrossS') ?? Infinity) <= (figure('toAndFroS') ?? Infinity);
                        return tell.subject({ [across ? 'acrossMmS' : 'toAndFroMmS']: number('slowerMmS') });
                    })}
                >
                    {say.calmText}
                    {left('slowerLeftStops')}
                </WayCard>
            )}
            {has('torchS') && (
                <WayCard
                    title={say.paint}
                    figure={say.paintFigure(shutter(number('torchS')))}
                    press={say.planTorch}
                    planned={plan.light === 'torch'}
                    said={say.planned}
                    disabled={busy}
                    onPress={press(() => tell.lit('torch'))}
                >
                    {say.paintText(digits(number('torchLux')))} {has('torchMm') && say.torchAt(mm(number('torchMm')))}
                </WayCard>
            )}
        </ul>
    );
}
