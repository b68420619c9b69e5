import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, reasonOf } from '../../api/client';
import { keys } from '../../api/queries';
import { log as logWords } from '../../strings/log';
import { Dialog } from '../../ui/Dialog';
import type { Outing } from './day';
import { KeptRigs, RigButton } from './KeptRigs';
import type { Said } from './log/entryForm';
import { plannedEntry } from './plannedEntry';

const say = logWords.log;

/** Which rig it was: one that was planned for a subject, or one that is kept. */
export function ChooseRig({ outing, onClose, onPick }: { outing: Outing; onClose: () => void; onPick: (from: Said) => void }) {
    const plan = useQuery({
        queryKey: keys.outingPlan(outing.id, outing.revision),
        queryFn: () => api.planOuting(outing.id),
        retry: false,
    });
    const [trouble, setTrouble] = useState<string | null>(null);
    const mine = (rig: number) => {
        api.blankEntry(rig)
            .then(({ entry }) => onPick(entry as unknown as Said))
            .catch((error: unknown) => setTrouble(reasonOf(error)));
    };
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
                        <RigButton
                            key={each.subject}
                            name={say.planned(each.subject)}
                            parts={each.title}
                            onPress={() => onPick(plannedEntry(each))}
                        />
                    ))}
            </ul>
            <h3 className="pt-4 pb-1 text-sm font-semibold">{say.keptRigs}</h3>
            <KeptRigs onPick={mine} />
        </Dialog>
    );
}
