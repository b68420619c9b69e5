import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, reasonOf } from '../../api/client';
import { comparisonsChanged } from '../../api/queries';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { wordsOf } from '../../ui/typed';

const say = strings.compare;

interface Props {
    open: boolean;
    onClose: () => void;
    rigs: string;
    asked: Record<string, unknown>;
}

/** Asks for the name that a comparison is kept by. */
export function KeepDialog({ open, onClose, rigs, asked }: Props) {
    const queries = useQueryClient();
    const keep = useMutation({
        mutationFn: (name: string) => api.keepComparison(name, rigs, asked),
        onSuccess: () => {
            comparisonsChanged(queries);
            onClose();
        },
    });
    return (
        <Dialog open={open} onOpenChange={(on) => !on && onClose()} title={say.keep} text={say.keepText}>
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    keep.mutate(wordsOf(event.currentTarget)('name'));
                }}
            >
                <label className="block text-sm">
                    {strings.dialog.name}
                    <input
                        name="name"
                        required
                        maxLength={120}
                        autoComplete="off"
                        className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                    />
                </label>
                {keep.isError && (
                    <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(keep.error)}
                    </p>
                )}
                <div className="mt-4 flex justify-end gap-2">
                    <Button onClick={onClose}>{strings.dialog.cancel}</Button>
                    <Button strong type="submit" disabled={keep.isPending}>
                        {strings.dialog.keep}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
