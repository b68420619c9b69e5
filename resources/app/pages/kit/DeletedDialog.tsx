import { useQuery } from '@tanstack/react-query';
import { api, type KitView } from '../../api/client';
import { keys } from '../../api/queries';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import type { KitChange } from '../../kit/useKit';

/** Parts that were taken out, to be brought back. */
export function DeletedDialog({ kit, change, onClose }: { kit: KitView; change: KitChange; onClose: () => void }) {
    const deleted = useQuery({ queryKey: keys.deleted(kit.id), queryFn: () => api.deleted(kit.id) });
    return (
        <Dialog open onOpenChange={onClose} title={kitWords.kit.deletedTitle} text={kitWords.kit.deletedText}>
            {deleted.data?.length === 0 && <p className="text-sm text-soft">{kitWords.kit.deletedNone}</p>}
            <ul className="slim-scroll max-h-[50vh] overflow-auto" tabIndex={0} aria-label={kitWords.kit.deletedTitle}>
                {deleted.data?.map((each) => (
                    <li key={each.id} className="flex items-baseline justify-between gap-3 border-b border-line py-1.5 text-sm">
                        <span>
                            {each.name}
                            <span className="ml-2 text-xs text-soft">{new Date(each.deletedAt).toLocaleString()}</span>
                        </span>
                        <Button
                            disabled={change.isPending}
                            onClick={() =>
                                change.mutate(async (id) => {
                                    await api.bringBack(id, each.id);
                                    return undefined;
                                })
                            }
                        >
                            {kitWords.kit.bringBack}
                        </Button>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
