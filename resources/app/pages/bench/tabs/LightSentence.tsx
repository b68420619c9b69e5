import type { RigView, Schema } from '../../../api/client';
import { strings } from '../../../strings/index';
import { light as lightWords } from '../../../strings/light';
import { Term } from '../../../ui/Term';
import { Blank } from '../../../ui/Blank';
import { Pick } from '../../../ui/Pick';
import { completed, describing, numberOf, planOf, type OnStep, type Source } from './planned';

const sources: readonly (readonly [Source, string])[] = (['there', 'flash', 'lamp', 'torch'] as const).map((each) => [
    each,
    lightWords.light.sources[each],
]);
const supports = (['none', 'hand', 'braced', 'table'] as const).map((each) => [each, lightWords.light.support[each]] as const);

/** What it is lit by and what holds it, as a sentence with blanks; below it one about the flash or the lamp. */
export function LightSentence({ rig, light, onStep }: { rig: RigView; light: Schema['LightView'] | undefined; onStep: OnStep }) {
    const say = lightWords.light;
    const plan = planOf(rig);
    const offered = completed(rig, light);
    const tell = describing(rig, onStep, offered);
    const subject = rig.subject?.document ?? {};
    const support = rig.conditions['support'];
    const source = plan.light ?? 'there';
    const plain = (what: Promise<unknown>) => void what.catch(() => undefined);
    const choose = (next: Source) => plain(tell.lit(next));
    const flash = { ...offered.flash };
    const lamp = { ...offered.lamp };
    const named = (gear: readonly { name: string }[], current: string | undefined) => {
        const names = [...new Set([...(current === undefined ? [] : [current]), ...gear.map(({ name }) => name)])];
        return names.map((name) => [name, name] as const);
    };
    return (
        <form aria-label={strings.work.tabs.light} className="text-[15px] leading-8" onSubmit={(event) => event.preventDefault()}>
            {say.by} <Pick label={say.by} value={source} choices={sources} onChange={choose} />, {say.ev}{' '}
            <Blank label={say.evLabel} value={numberOf(rig.conditions['ev'])} onSet={(ev) => tell.conditions({ ev })} /> {say.iso}{' '}
            <Blank label={say.isoLabel} value={numberOf(rig.conditions['iso'])} onSet={(iso) => tell.conditions({ iso })} />,{' '}
            <Pick
                value={typeof support === 'string' ? (support as 'hand') : 'none'}
                choices={supports}
                onChange={(next) => plain(tell.conditions({ support: next === 'none' ? null : next }))}
            />
            ; {say.moves}{' '}
            <Blank label={say.acrossLabel} value={numberOf(subject['acrossMmS'])} onSet={(acrossMmS) => tell.subject({ acrossMmS })} />{' '}
            {say.across},{' '}
            <Blank
                label={say.toAndFroLabel}
                value={numberOf(subject['toAndFroMmS'])}
                onSet={(toAndFroMmS) => tell.subject({ toAndFroMmS })}
            />{' '}
            {say.toAndFro}.{' '}
            {source === 'flash' && light && (
                <span className="block text-sm leading-7">
                    {say.flash}{' '}
                    <Pick
                        label={say.flash}
                        value={flash.name ?? null}
                        none={say.someFlash}
                        choices={named(light.flashes, flash.name)}
                        onChange={(name) => {
                            const next = light.flashes.find((each) => each.name === name);
                            if (next) plain(tell.flash({ guideNumber: null, recycleS: null, ...next }));
                        }}
                    />
                    <Term of="guideNumber">{say.guide}</Term>{' '}
                    <Blank label={say.guideNumber} value={flash.guideNumber ?? null} onSet={(guideNumber) => tell.flash({ guideNumber })} />
                    {say.flashStands}{' '}
                    <Blank
                        label={say.flashMm}
                        value={flash.distanceMm ?? null}
                        onSet={(distanceMm) => tell.flash({ distanceMm: distanceMm ?? flash.distanceMm ?? null })}
                    />{' '}
                    {say.off} {say.at}{' '}
                    <Blank label={say.angle} value={flash.angleDeg ?? null} onSet={(angleDeg) => tell.flash({ angleDeg })} />
                    {say.over}{' '}
                    <Blank
                        label={say.stopsLabel}
                        value={flash.diffuserStops ?? 0}
                        onSet={(diffuserStops) => tell.flash({ diffuserStops })}
                    />{' '}
                    {say.stops}.
                </span>
            )}
            {(source === 'lamp' || source === 'torch') && light && (
                <span className="block text-sm leading-7">
                    {say.lamp}{' '}
                    <Pick
                        label={say.lamp}
                        value={lamp.name ?? null}
                        none={say.someLamp}
                        choices={named(light.lamps, lamp.name)}
                        onChange={(name) => {
                            const next = light.lamps.find((each) => each.name === name);
                            if (next) plain(tell.lamp({ watts: null, lumensPerWatt: null, ...next }));
                        }}
                    />{' '}
                    {say.draws} <Blank label={say.watts} value={lamp.watts ?? null} onSet={(watts) => tell.lamp({ watts })} /> {say.gives}{' '}
                    <Blank label={say.lumens} value={lamp.lumensPerWatt ?? null} onSet={(lumensPerWatt) => tell.lamp({ lumensPerWatt })} />{' '}
                    {say.perWatt}
                </span>
            )}
        </form>
    );
}
