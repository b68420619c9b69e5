import type { RigView } from '../../../api/client';
import { light as lightWords } from '../../../strings/light';
import { Blank } from '../../../ui/Blank';
import { Pick } from '../../../ui/Pick';
import { describing, type OnStep, type Plan } from './planned';

interface Props {
    rig: RigView;
    offered: Plan;
    rails: readonly { name: string }[];
    onStep: OnStep;
}

/** Which rail, how finely it is turned, and its play. */
export function RailBlanks({ rig, offered, rails, onStep }: Props) {
    const say = lightWords.shots;
    const tell = describing(rig, onStep, offered);
    const rail = { ...offered.rail };
    const names = [...new Set([...(rail.name === undefined ? [] : [rail.name]), ...rails.map(({ name }) => name)])];
    return (
        <p className="text-xs leading-6">
            <Pick
                label={say.rail}
                value={rail.name ?? null}
                none={say.someRail}
                choices={names.map((name) => [name, name] as const)}
                onChange={(name) => {
                    const next = rails.find((each) => each.name === name);
                    if (next) void tell.rail({ travelMm: null, ...next }).catch(() => undefined);
                }}
            />
            , <Blank label={say.pitchLabel} value={rail.pitchMm ?? null} onSet={(pitchMm) => tell.rail({ pitchMm })} /> {say.aTurn},{' '}
            <Blank label={say.linesLabel} value={rail.steps ?? 100} onSet={(steps) => tell.rail({ steps })} /> {say.lines}{' '}
            <Blank label={say.playLabel} value={rail.backlashMm ?? 0} onSet={(backlashMm) => tell.rail({ backlashMm })} /> {say.mm}
        </p>
    );
}
