import { useState, type SubmitEvent } from 'react';
import { messageOf } from '../../api/client';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';

interface KeepProps {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    name: string | null;
    onKeep: (name: string | null) => Promise<unknown>;
}

/** Asks for the name that a rig is kept by. */
export function KeepDialog({ open, onOpenChange, name, onKeep }: KeepProps) {
    const [trouble, setTrouble] = useState<string | null>(null);
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const wanted = new FormData(event.currentTarget).get('name');
        setTrouble(null);
        onKeep(typeof wanted === 'string' ? wanted : null)
            .then(() => onOpenChange(false))
            .catch((error: unknown) => setTrouble(messageOf(error)));
    };
    return (
        <Dialog open={open} onOpenChange={onOpenChange} title={strings.dialog.keepTitle} text={strings.dialog.keepText}>
            <form onSubmit={submit}>
                <label className="block text-sm">
                    {strings.dialog.name}
                    <input
                        name="name"
                        defaultValue={name ?? ''}
                        maxLength={120}
                        autoComplete="off"
                        className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                    />
                </label>
                {trouble && (
                    <p role="alert" className="mt-2 text-sm">
                        {trouble}
                    </p>
                )}
                <div className="mt-4 flex justify-end gap-2">
                    <Button onClick={() => onOpenChange(false)}>{strings.dialog.cancel}</Button>
                    <Button strong type="submit">
                        {strings.dialog.keep}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

/** Lists the keys. */
export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    return (
        <Dialog open={open} onOpenChange={onOpenChange} title={strings.dialog.keys} text={strings.dialog.keysText}>
            <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1 text-sm">
                {strings.keys.map(([keys, text]) => (
                    <div key={keys} className="contents">
                        <dt className="figures">{keys}</dt>
                        <dd>{text}</dd>
                    </div>
                ))}
            </dl>
        </Dialog>
    );
}
