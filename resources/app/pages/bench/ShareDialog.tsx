import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type RigView, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';

/** A link by which anybody may look at the rig as it is now, until it is withdrawn. */
export function ShareDialog({ id, onClose }: { id: number; onClose: () => void }) {
    const queries = useQueryClient();
    const rig = useQuery({ queryKey: keys.rig(id), queryFn: () => api.rig(id), staleTime: Infinity });
    const put = (share: Schema['ShareView'] | null) => queries.setQueryData<RigView>(keys.rig(id), (now) => now && { ...now, share });
    const make = useMutation({ mutationFn: () => api.share(id), onSuccess: put });
    const end = useMutation({ mutationFn: () => api.withdraw(id), onSuccess: () => put(null) });
    const share = rig.data?.share ?? null;
    const say = strings.share;
    return (
        <Dialog open onOpenChange={onClose} title={say.title} text={say.text}>
            {share === null ? (
                <Button strong disabled={make.isPending} onClick={() => make.mutate()}>
                    {say.make}
                </Button>
            ) : (
                <>
                    <label className="block text-sm">
                        {say.link}
                        <input
                            readOnly
                            value={share.url}
                            onFocus={(event) => event.target.select()}
                            className="figures mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-xs"
                        />
                    </label>
                    <p className="pt-1 text-xs text-soft">{say.since(new Date(share.since).toLocaleString())}</p>
                    <div className="flex flex-wrap gap-2 pt-4">
                        <Button strong onClick={() => void navigator.clipboard.writeText(share.url)}>
                            {say.copy}
                        </Button>
                        <Button disabled={make.isPending} onClick={() => make.mutate()}>
                            {say.again}
                        </Button>
                        <Button disabled={end.isPending} onClick={() => end.mutate()}>
                            {say.withdraw}
                        </Button>
                    </div>
                </>
            )}
            {(make.error ?? end.error) && <p role="alert">{(make.error ?? end.error)?.message}</p>}
        </Dialog>
    );
}
