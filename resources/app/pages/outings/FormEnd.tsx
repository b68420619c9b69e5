import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';

const say = outingsWords.outings;

interface Props {
    trouble: string | null;
    /** What the strong button says. */
    keep: string;
    busy?: boolean;
    onCancel: () => void;
}

/** How a form ends: why it can’t be, and the two ways out of it. */
export function FormEnd({ trouble, keep, busy = false, onCancel }: Props) {
    return (
        <>
            {trouble !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            <div className="flex justify-end gap-2">
                <Button onClick={onCancel}>{say.cancel}</Button>
                <Button strong type="submit" disabled={busy}>
                    {keep}
                </Button>
            </div>
        </>
    );
}
