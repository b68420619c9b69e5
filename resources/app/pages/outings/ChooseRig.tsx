import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, reasonOf } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { Dialog } from '../../ui/Dialog';
import type { Said } from './log/entryForm';
import { plannedEntry } from './plannedEntry';

const say = strings.log;

/** Which rig it was: one that was planned for a subject, or one that is kept. */
export function ChooseRig({ outing, onClose, onPick }: { outing: number; onClose: () => void; onPick: (from: Said) => void }) {
    const plan = useQuery({ queryKey: keys.outingPlan(outing, undefined), queryFn: () => api.planOuting(outing), retry: false });
    const rigs = useQuery({ queryKey: keys.rigs, queryFn: api.rigs });
    const [trouble, setTrouble] = useState<string | null>(null);
    const mine = (rig: number) => {
        api.blankEntry(rig)
            .then(({ entry }) => onPick(entry as unknown as Said))
            .catch((error: unknown) => setTrouble(reasonOf(error)));
    };
    const item = 'w-full px-1 py-2 text-left text-sm hover:bg-ground';
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={say.rig} text={say.newText}>
            {trouble !== null && (
                <p role="alert" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            <ul className="border-t border-line">
                {plan.data?.assignments
                    .filter(({ rig }) => rig !== null)
                    .map((each) => (
                        <li key={each.subject} className="border-b border-line">
                            <button type="button" className={item} onClick={() => onPick(plannedEntry(each))}>
                                <span className="block font-semibold">{say.planned(each.subject)}</span>
                                <span className="block text-soft">{each.title}</span>
                            </button>
                        </li>
                    ))}
            </ul>
            <h3 className="pt-4 pb-1 text-sm font-semibold">{say.keptRigs}</h3>
            <ul className="border-t border-line">
                {rigs.data?.map((rig) => (
                    <li key={rig.id} className="border-b border-line">
                        <button type="button" className={item} onClick={() => mine(rig.id)}>
                            <span className="block font-semibold">{rig.name ?? strings.bench.unnamed}</span>
                            <span className="block text-soft">{rig.parts}</span>
                        </button>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
