import { useState, type SubmitEvent } from 'react';
import { api, reasonOf } from '../../api/client';
import { outings as outingsWords } from '../../strings/outings';
import { Dialog } from '../../ui/Dialog';
import { wordsOf } from '../../ui/typed';
import { momentOf, type Outing } from './day';
import { FormEnd } from './FormEnd';
import { LineInput } from './LineInput';

const say = outingsWords.outings;

interface Props {
    open: boolean;
    kit: number | null;
    onClose: () => void;
    onMade: (outing: Outing) => void;
}

/** A new outing: a name, a day, a place. Its subjects come next. */
export function NewOuting({ open, kit, onClose, onMade }: Props) {
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        const [date, time] = [word('date'), word('time')];
        setBusy(true);
        setTrouble(null);
        api.addOuting({
            kit,
            outing: {
                name: word('name'),
                subjects: [],
                ...(date === '' ? {} : { date }),
                ...(date === '' || time === '' ? {} : { startsAt: momentOf(date, time) }),
                ...(word('place') === '' ? {} : { place: word('place') }),
            },
        })
            .then(onMade)
            .catch((error: unknown) => setTrouble(reasonOf(error)))
            .finally(() => setBusy(false));
    };
    return (
        <Dialog open={open} onOpenChange={(on) => !on && onClose()} title={say.add} text={say.addText}>
            <form onSubmit={submit} className="grid gap-3">
                <LineInput label={say.name} name="name" required maxLength={200} />
                <div className="grid grid-cols-2 gap-3">
                    <LineInput label={say.date} name="date" type="date" />
                    <LineInput label={say.starts} name="time" type="time" />
                </div>
                <LineInput label={say.place} name="place" maxLength={200} />
                <FormEnd trouble={trouble} keep={say.make} busy={busy} onCancel={onClose} />
            </form>
        </Dialog>
    );
}
