import type { RigView, Schema } from '../../../api/client';
import { filled, presets, type Preset } from '../../../rig/subjectPresets';
import { strings } from '../../../strings/index';
import { light as lightWords } from '../../../strings/light';
import { Term } from '../../../ui/Term';
import { Blank } from '../../../ui/Blank';
import { Menu, MenuItem } from '../../../ui/Menu';
import { describing, numberOf, type OnStep } from './planned';

/** What is photographed and how slices go through it, as a sentence with blanks. */
export function ShotsSentence({ rig, shots, onStep }: { rig: RigView; shots: Schema['ShotsView'] | undefined; onStep: OnStep }) {
    const say = lightWords.shots;
    const tell = describing(rig, onStep);
    const subject = rig.subject?.document ?? {};
    const choose = (preset: Preset) => void tell.subjectWhole(filled(subject, preset)).catch(() => undefined);
    return (
        <form aria-label={strings.work.tabs.shots} className="text-[15px] leading-8" onSubmit={(event) => event.preventDefault()}>
            {say.of} <span className="font-semibold">{rig.subject?.name ?? '…'}</span>
            <span className="inline-block align-baseline leading-none">
                <Menu label={say.presets}>
                    {presets.map((preset) => (
                        <MenuItem key={preset} onSelect={() => choose(preset)}>
                            {lightWords.presets[preset]}
                        </MenuItem>
                    ))}
                </Menu>
            </span>
            , <Blank label={say.widthLabel} value={numberOf(subject['widthMm'])} onSet={(widthMm) => tell.subject({ widthMm })} />{' '}
            {say.wide}{' '}
            <Blank
                label={say.depthLabel}
                value={numberOf(subject['depthMm'])}
                onSet={(depthMm) => tell.subject({ depthMm, ...(depthMm !== null && depthMm > 0 && { flat: null }) })}
            />{' '}
            {say.deep}, {say.curved}{' '}
            <Blank label={say.radiusLabel} value={numberOf(subject['radiusMm'])} onSet={(radiusMm) => tell.subject({ radiusMm })} />{' '}
            {say.mm}; <Term of="overlap">{say.overlap}</Term>{' '}
            <Blank
                label={say.overlapLabel}
                range={say.overlapRange}
                value={shots === undefined ? null : Math.round(shots.overlap * 1000) / 10}
                onSet={(percent) => tell.plan({ overlap: percent === null ? null : percent / 100 })}
            />{' '}
            {say.percent}, <Blank label={say.settleLabel} value={shots?.settleS ?? null} onSet={(settleS) => tell.plan({ settleS })} /> s{' '}
            {say.settle}, <Blank label={say.betweenLabel} value={shots?.betweenS ?? null} onSet={(betweenS) => tell.plan({ betweenS })} />{' '}
            {say.between},{' '}
            <Blank label={say.batteryLabel} value={shots?.batteryFrames ?? null} onSet={(batteryFrames) => tell.plan({ batteryFrames })} />{' '}
            {say.battery}.
        </form>
    );
}
