import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys, outingChanged } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Lost } from '../../ui/Lost';
import { mass } from '../../ui/figures';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';
import { DayDialog } from './DayDialog';
import { Order } from './Order';
import { OutingHead } from './OutingHead';
import { Packing } from './Packing';
import { ReadyDialog } from './ReadyDialog';
import { Subjects } from './Subjects';
import { Timeline } from './Timeline';
import { useOuting } from './useOuting';

const say = outingsWords.outings;

/** One outing before it: what is wanted, in which order, and what goes into the bag. */
export default function OutingPage({ person }: { person: Schema['Person'] }) {
    const id = Number(useParams().outing ?? 0);
    const { outing, plan, isPlanning, trouble, isLost, save, tick, retry } = useOuting(id);
    const navigate = useNavigate();
    const queries = useQueryClient();
    const [asks, setAsks] = useState<'day' | 'ready' | 'delete' | null>(null);
    const kit = useQuery({
        queryKey: keys.kit(outing?.kit ?? undefined),
        queryFn: () => api.kit(outing?.kit ?? 0),
        enabled: outing?.kit != null,
    });
    const names = new Map(kit.data?.parts.map(({ part }) => [String(part.id), part.name]) ?? []);
    const remove = useMutation({
        mutationFn: () => api.deleteOuting(id),
        onSuccess: () => {
            outingChanged(queries, null);
            void navigate('/outings', { replace: true });
        },
    });
    const said = trouble ?? remove.error;
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full flex-1" aria-busy={outing === undefined && !isLost}>
                {isLost && trouble !== null && <Lost error={trouble} onRetry={retry} />}
                {outing && (
                    <>
                        <OutingHead
                            outing={outing}
                            place="before"
                            state={
                                isPlanning
                                    ? say.planning
                                    : plan &&
                                      say.head(
                                          outing.subjects.length,
                                          new Set(plan.visits.map(({ letter }) => letter)).size,
                                          plan.parts,
                                          mass(plan.massG),
                                      )
                            }
                        >
                            <Button bare onClick={() => setAsks('day')}>
                                {say.day}
                            </Button>
                            <Button bare onClick={() => setAsks('ready')}>
                                {say.ready}
                            </Button>
                            <Button onClick={() => location.assign(api.outingAddress(id, 'calendar'))}>{say.calendar}</Button>
                            <Link to={`/outings/${id}/sheets`} className="plate border border-line px-3 py-1.5 text-sm hover:border-ink">
                                {say.print}
                            </Link>
                            {plan && plan.visits.length > 0 && (
                                <Link to={`/outings/${id}/outside`} className="plate bg-ink! px-3 py-1.5 text-sm font-medium text-plate">
                                    {say.outside}
                                </Link>
                            )}
                            <Menu align="end" label={say.more}>
                                <MenuItem onSelect={() => location.assign(api.outingAddress(id, 'file'))}>{say.file}</MenuItem>
                                <MenuLine />
                                <MenuItem onSelect={() => setAsks('delete')}>{say.delete}</MenuItem>
                            </Menu>
                        </OutingHead>
                        {said !== null && !isLost && (
                            <p role="alert" className="mx-5 my-2 border-l-[3px] border-ink pl-2 text-sm">
                                {reasonOf(said)}
                            </p>
                        )}
                        <Timeline outing={outing} plan={plan} />
                        <div className="grid border-t border-ink lg:grid-cols-[31fr_37fr_32fr] lg:divide-x lg:divide-line">
                            <div className="px-5 py-3">
                                <Subjects outing={outing} plan={plan} save={save} />
                            </div>
                            <div className="px-5 py-3">{plan && plan.visits.length > 0 && <Order plan={plan} />}</div>
                            <div className="bg-plate px-5 py-3">
                                {plan && <Packing outing={outing} plan={plan} save={save} onTick={tick} names={names} />}
                            </div>
                        </div>
                        {asks === 'day' && <DayDialog outing={outing} save={save} onClose={() => setAsks(null)} />}
                        {asks === 'ready' && <ReadyDialog outing={outing} save={save} onClose={() => setAsks(null)} />}
                        <Dialog
                            open={asks === 'delete'}
                            onOpenChange={(on) => !on && setAsks(null)}
                            title={say.delete}
                            text={say.deleteText(outing.name)}
                        >
                            <div className="flex justify-end gap-2">
                                <Button onClick={() => setAsks(null)}>{say.cancel}</Button>
                                <Button strong disabled={remove.isPending} onClick={() => remove.mutate()}>
                                    {say.delete}
                                </Button>
                            </div>
                        </Dialog>
                    </>
                )}
            </main>
        </div>
    );
}
