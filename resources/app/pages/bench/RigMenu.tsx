import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, Refused, type RigView, type Schema } from '../../api/client';
import { keys, rigsChanged } from '../../api/queries';
import { useKits } from '../../kit/useKit';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { later } from '../../ui/later';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';

export const ShareDialog = later(async () => (await import('./ShareDialog')).ShareDialog);

interface Props {
    id: number;
    rigs: Schema['RigSummary'][];
    name: string | null;
    onKeep: () => void;
    onAll: () => void;
    onStates: () => void;
    /** null = there is nothing drawn yet */
    onSvg: (() => void) | null;
}

/** The rigs of this person, and what can be done with the one on the bench. */
export function RigMenu({ id, rigs, name, onKeep, onAll, onStates, onSvg }: Props) {
    const navigate = useNavigate();
    const queries = useQueryClient();
    const { id: kit } = useKits();
    const [deleting, setDeleting] = useState(false);
    const [sharing, setSharing] = useState(false);
    const file = useRef<HTMLInputElement>(null);
    const arrived = (rig: RigView) => {
        rigsChanged(queries);
        void navigate(`/bench/${rig.id}`);
    };
    const bring = useMutation({
        mutationFn: async (chosen: File) => api.importRig(await chosen.text(), kit),
        onSuccess: arrived,
    });
    const start = useMutation({
        mutationFn: () => api.startRig({ kit }),
        onSuccess: arrived,
    });
    const copy = useMutation({
        mutationFn: () => api.duplicate(id),
        onSuccess: arrived,
    });
    const remove = useMutation({
        mutationFn: () => api.remove(id),
        onSuccess: () => {
            setDeleting(false);
            queries.removeQueries({ queryKey: keys.rig(id) });
            queries.setQueryData<Schema['RigSummary'][]>(keys.rigs, (list) => list?.filter((rig) => rig.id !== id));
            void navigate('/bench', { replace: true });
        },
    });
    return (
        <>
            <Menu label={strings.bench.thisRig} align="end">
                <MenuItem onSelect={onKeep}>{name === null ? strings.bench.keep : strings.bench.rename}</MenuItem>
                <MenuItem onSelect={() => copy.mutate()}>{strings.rigs.copy}</MenuItem>
                <MenuItem onSelect={() => void navigate(`/sheet/${id}`)}>{strings.work.sheet}</MenuItem>
                <MenuItem onSelect={() => void navigate(`/outings?rig=${id}`)}>{strings.work.log}</MenuItem>
                <MenuItem onSelect={() => void navigate(`/compare?rigs=${id}`)}>{strings.work.compare}</MenuItem>
                <MenuItem onSelect={onStates}>{strings.states.menu}</MenuItem>
                <MenuItem onSelect={() => setSharing(true)}>{strings.share.menu}</MenuItem>
                <MenuLine />
                <MenuItem onSelect={() => onSvg?.()} disabled={!onSvg}>
                    {strings.bench.exportSvg}
                </MenuItem>
                <MenuItem onSelect={() => print()}>{strings.bench.print}</MenuItem>
                <MenuItem onSelect={() => location.assign(api.fileAddress(id))}>{strings.bench.exportFile}</MenuItem>
                <MenuLine />
                <MenuItem onSelect={() => setDeleting(true)}>{strings.bench.remove}</MenuItem>
            </Menu>
            <Menu label={strings.bench.rigs} align="end" onOpen={() => void queries.refetchQueries({ queryKey: keys.rigs, stale: true })}>
                <MenuItem onSelect={() => start.mutate()}>{strings.bench.newRig}</MenuItem>
                <MenuItem onSelect={() => file.current?.click()}>{strings.bench.importFile}</MenuItem>
                <MenuItem onSelect={onAll}>{strings.rigs.all}</MenuItem>
                <MenuLine />
                {rigs
                    .filter((rig) => rig.id !== id)
                    .slice(0, 8)
                    .map((rig) => (
                        <MenuItem key={rig.id} onSelect={() => void navigate(`/bench/${rig.id}`)} note={rig.parts}>
                            {rig.name ?? strings.bench.unnamed}
                        </MenuItem>
                    ))}
            </Menu>
            <input
                ref={file}
                type="file"
                accept=".json,application/json"
                className="hidden"
                aria-label={strings.bench.importFile}
                onChange={(event) => {
                    const chosen = event.target.files?.[0];
                    event.target.value = '';
                    if (chosen) bring.mutate(chosen);
                }}
            />
            <Dialog
                open={bring.isError}
                onOpenChange={() => bring.reset()}
                title={strings.bench.importFailed}
                text={bring.error?.message ?? ''}
            >
                <ul className="slim-scroll max-h-[40vh] overflow-auto text-sm">
                    {bring.error instanceof Refused &&
                        Object.entries(bring.error.fields).map(([place, message]) => (
                            <li key={place}>
                                <span className="figures">{place || '/'}</span> {message}
                            </li>
                        ))}
                </ul>
            </Dialog>
            {sharing && <ShareDialog id={id} onClose={() => setSharing(false)} />}
            <Dialog open={deleting} onOpenChange={setDeleting} title={strings.dialog.deleteTitle} text={strings.dialog.deleteText}>
                {remove.isError && <p role="alert">{remove.error.message}</p>}
                <div className="flex justify-end gap-2">
                    <Button onClick={() => setDeleting(false)}>{strings.dialog.cancel}</Button>
                    <Button strong disabled={remove.isPending} onClick={() => remove.mutate()}>
                        {strings.dialog.delete}
                    </Button>
                </div>
            </Dialog>
        </>
    );
}
