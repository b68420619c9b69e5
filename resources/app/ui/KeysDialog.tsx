import type { ReactNode } from 'react';
import { strings } from '../strings/index';
import { Dialog } from './Dialog';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    text: string;
    /** Keys, and what they do. */
    keys: readonly (readonly [string, string])[];
    children?: ReactNode;
}

/** Lists the keys of a place. */
export function KeysDialog({ open, onOpenChange, text, keys, children }: Props) {
    return (
        <Dialog open={open} onOpenChange={onOpenChange} title={strings.dialog.keys} text={text}>
            <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1 text-sm">
                {keys.map(([key, does]) => (
                    <div key={key} className="contents">
                        <dt className="figures">{key}</dt>
                        <dd>{does}</dd>
                    </div>
                ))}
            </dl>
            {children}
        </Dialog>
    );
}
