import { useState, type SubmitEvent } from 'react';
import { reasonOf } from '../api/client';
import { strings } from '../strings/index';
import { Button } from './Button';
import { Dialog } from './Dialog';

interface Props {
    open: boolean;
    onClose: () => void;
    title: string;
    text: string;
    /** What it is called so far. */
    name?: string | null;
    /** Whether it may be kept without one. */
    nameless?: boolean;
    onKeep: (name: string) => Promise<unknown>;
}

/** Asks for the name that something is kept by, and says why it can’t be. */
export function KeepDialog({ open, onClose, title, text, name = null, nameless = false, onKeep }: Props) {
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const close = () => {
        setTrouble(null);
        onClose();
    };
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const wanted = new FormData(event.currentTarget).get('name');
        setTrouble(null);
        setBusy(true);
        onKeep(typeof wanted === 'string' ? wanted : '')
            .then(close)
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    return (
        <Dialog open={open} onOpenChange={(on) => !on && close()} title={title} text={text}>
            <form onSubmit={submit}>
                <label className="block text-sm">
                    {strings.dialog.name}
                    <input
                        name="name"
                        defaultValue={name ?? ''}
                        required={!nameless}
                        maxLength={120}
                        autoComplete="off"
                        className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                    />
                </label>
                {trouble !== null && (
                    <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2 text-sm">
                        {trouble}
                    </p>
                )}
                <div className="mt-4 flex justify-end gap-2">
                    <Button onClick={close}>{strings.dialog.cancel}</Button>
                    <Button strong type="submit" disabled={busy}>
                        {strings.dialog.keep}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
