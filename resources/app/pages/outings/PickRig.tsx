import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, reasonOf } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { Dialog } from '../../ui/Dialog';

const say = strings.outings;

/** One of the rigs that are kept, as it is set. */
export function PickRig({ onClose, onPick }: { onClose: () => void; onPick: (file: Record<string, unknown>) => Promise<unknown> }) {
    const rigs = useQuery({ queryKey: keys.rigs, queryFn: api.rigs });
    const [trouble, setTrouble] = useState<string | null>(null);
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={say.withMine} text={say.withMineText}>
            {trouble !== null && (
                <p role="alert" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            <ul className="border-t border-line">
                {rigs.data?.map((rig) => (
                    <li key={rig.id} className="border-b border-line">
                        <button
                            type="button"
                            className="w-full px-1 py-2 text-left text-sm hover:bg-ground"
                            onClick={() =>
                                void api
                                    .rigFile(rig.id)
                                    .then(onPick)
                                    .then(onClose)
                                    .catch((error: unknown) => setTrouble(reasonOf(error)))
                            }
                        >
                            <span className="block font-semibold">{rig.name ?? strings.bench.unnamed}</span>
                            <span className="block text-soft">{rig.parts}</span>
                        </button>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
