import { memo } from 'react';
import type { RigView } from '../../../api/client';
import type { ActiveSweep } from '../../../rig/displayedReadings';
import { light as lightWords } from '../../../strings/light';
import { stops, type Units } from '../../../ui/figures';
import { shutter } from '../../../ui/shutter';
import { Lost } from '../../../ui/Lost';
import { LightSentence } from './LightSentence';
import { planOf, describing, type OnStep } from './planned';
import { ShutterScale } from './ShutterScale';
import { useLight } from './useLight';
import { Ways } from './Ways';
import { Button } from '../../../ui/Button';

interface Props {
    /** Whether it is looked at: else nothing is asked for. */
    active: boolean;
    rig: RigView;
    held: ActiveSweep | null;
    /** Whether the bench's own sweeps are here: tables of light come after them. */
    ready: boolean;
    units: Units;
    busy: boolean;
    onStep: OnStep;
}

/** Light: what there is, up to where each thing stays still, and every way to close the gap between them. */
export const Light = memo(function Light({ active, rig, held, ready, units, busy, onStep }: Props) {
    const { light, figure } = useLight(rig, held, { active, tables: ready });
    const say = lightWords.light;
    // What is shown is of a step before, until the answer is here.
    const old = held === null && light.data?.revision !== rig.revision;
    if (light.isError && !light.data) return <Lost error={light.error} onRetry={() => void light.refetch()} />;
    const exposure = figure('exposureS');
    const gap = figure('gapStops');
    const handHeld = figure('handHeldS');
    const more = figure('handHeldStops');
    const sharp = figure('lightGapDeg') !== null || exposure !== null;
    return (
        <div className={`flex flex-col gap-1 ${old ? 'opacity-60' : ''}`} aria-busy={old}>
            <LightSentence rig={rig} light={light.data} onStep={onStep} />
            <ShutterScale figure={figure} />
            <div className="min-h-[18px] text-xs text-soft" role="status">
                {exposure === undefined
                    ? say.busy
                    : exposure === null
                      ? sharp
                          ? say.noLight
                          : say.nowhere
                      : gap === null
                        ? say.noLimit
                        : null}{' '}
                {typeof handHeld === 'number' && typeof more === 'number'
                    ? more < 1 / 6
                        ? say.meterSame
                        : say.meter(shutter(handHeld), stops(more))
                    : null}{' '}
                {(planOf(rig).light ?? 'there') !== 'there' && (
                    <Button
                        bare
                        className="px-0! py-0! text-xs! underline underline-offset-2"
                        onClick={() =>
                            void describing(rig, onStep)
                                .plan({ light: 'there' })
                                .catch(() => undefined)
                        }
                    >
                        {say.planThere}
                    </Button>
                )}
            </div>
            <Ways rig={rig} light={light.data} figure={figure} units={units} busy={busy} onStep={onStep} />
        </div>
    );
});
