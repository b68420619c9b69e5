import { useState } from 'react';
import { api, reasonOf } from '../../api/client';
import { outings as outingsWords } from '../../strings/outings';
import { Dialog } from '../../ui/Dialog';
import { KeptRigs } from './KeptRigs';

const say = outingsWords.outings;

/** One of the rigs that are kept, as it is set. */
export function PickRig({ onClose, onPick }: { onClose: () => void; onPick: (file: Record<string, unknown>) => Promise<unknown> }) {
    const [trouble, setTrouble] = useState<string | null>(null);
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={say.withMine} text={say.withMineText}>
            {trouble !== null && (
                <p role="alert" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            <KeptRigs
                onPick={(rig) =>
                    void api
                        .rigFile(rig)
                        .then(onPick)
                        .then(onClose)
                        .catch((error: unknown) => setTrouble(reasonOf(error)))
                }
            />
        </Dialog>
    );
}
