import { useQuery } from '@tanstack/react-query';
import { api, type KitView } from '../../api/client';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import type { KitChange } from '../../kit/useKit';

/** Parts that were taken out, to be brought back. */
export function GoneDialog({ kit, change, onClose }: { kit: KitView; change: KitChange; onClose: () => void }) {
    const gone = useQuery({ queryKey: ['gone', kit.id], queryFn: () => api.gone(kit.id) });
    return (
        <Dialog open onOpenChange={onClose} title={strings.kit.goneTitle} text={strings.kit.goneText}>
            {gone.data?.length === 0 && <p className="text-sm text-soft">{strings.kit.goneNone}</p>}
            <ul className="slim-scroll max-h-[50vh] overflow-auto" tabIndex={0} aria-label={strings.kit.goneTitle}>
                {gone.data?.map((each) => (
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
                            {strings.kit.bringBack}
                        </Button>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
