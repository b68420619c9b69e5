import type { RigView, TravelView } from '../../api/client';
import { length, magnification, type Units } from '../../ui/figures';
import type { Waiting } from '../../offline/useWaiting';
import { waitingValues } from '../../offline/waiting';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { nearest, said } from '../../strip/ownScale';
import { useShown } from './inHand';

const say = strings.offline;

interface Props {
    /** The rig as it was before the waiting steps. */
    rig: RigView;
    waiting: Waiting;
    theirs: RigView;
    units: Units;
}

/** The rig was changed here while the server was away, and there: both states, and the choice. */
export function ConflictDialog({ rig, waiting, theirs, units }: Props) {
    const { shown } = useShown();
    const mine = (name: 'magnification' | 'workingDistanceMm') => shown.reading(name) ?? rig.readings[name];
    return (
        <Dialog open wide onOpenChange={() => undefined} title={say.conflictTitle} text={say.conflictText}>
            <div className="grid gap-5 sm:grid-cols-2">
                <State
                    title={say.theirs}
                    rig={theirs}
                    units={units}
                    m={theirs.readings.magnification}
                    room={theirs.readings.workingDistanceMm}
                />
                <div>
                    <State
                        title={say.mine}
                        rig={rig}
                        units={units}
                        parked={waitingValues(waiting.steps)}
                        m={mine('magnification')}
                        room={mine('workingDistanceMm')}
                    />
                    <p className="pt-2 text-sm">{say.steps(waiting.steps.length)}</p>
                    <ol className="list-decimal pl-5 text-sm text-soft">
                        {waiting.steps.map(({ id, step }) => (
                            <li key={id}>
                                {say.actions[step.action] ?? step.action}
                                {step.action === 'set' && <span className="figures"> {nameOf(rig, step.travel, step.value, units)}</span>}
                            </li>
                        ))}
                    </ol>
                </div>
            </div>
            <p className="flex flex-wrap justify-end gap-2 pt-5">
                <Button onClick={() => void waiting.letGo()}>{say.letGo}</Button>
                <Button strong onClick={() => void waiting.putOnTop()}>
                    {say.onTop}
                </Button>
            </p>
        </Dialog>
    );
}

function nameOf(rig: RigView, name: string | null | undefined, value: number, units: Units): string {
    const travel = rig.travels.find((each) => each.name === name);
    return travel === undefined ? '' : `${rig.chain[travel.index]?.name ?? ''} → ${toldOf(travel, value, units)}`;
}

interface StateProps {
    title: string;
    rig: RigView;
    units: Units;
    m: number | null;
    room: number | null;
    /** Where controls were left that this state doesn't know of yet, by name. */
    parked?: ReadonlyMap<string, number>;
}

function State({ title, rig, units, m, room, parked }: StateProps) {
    const moved = rig.travels.filter(({ name }) => parked?.has(name));
    return (
        <section aria-label={title}>
            <h3 className="border-b border-line pb-1 text-sm font-semibold">{title}</h3>
            <p className="figures pt-2 text-lg">
                {m === null ? '—' : magnification(m)} <span className="text-sm text-soft">{room === null ? '' : length(room, units)}</span>
            </p>
            <ol className="pt-1 text-sm">
                <li>{rig.camera.name}</li>
                {rig.chain.map((part) => {
                    const here = moved.filter(({ index }) => index === part.index);
                    return (
                        <li key={part.index}>
                            {part.name}{' '}
                            <span className="text-soft">
                                {here.length === 0
                                    ? part.setting
                                    : here.map((travel) => toldOf(travel, parked?.get(travel.name) ?? 0, units)).join(', ')}
                            </span>
                        </li>
                    );
                })}
            </ol>
        </section>
    );
}

const toldOf = (travel: TravelView, value: number, units: Units) => said(travel, value, nearest(travel.positions, value), units);
