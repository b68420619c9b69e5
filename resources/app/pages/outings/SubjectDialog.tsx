import { useState, type SubmitEvent } from 'react';
import { reasonOf } from '../../api/client';
import { usePreferences } from '../../shell/preferences';
import { outings as outingsWords } from '../../strings/outings';
import { Dialog } from '../../ui/Dialog';
import { lengthDigits } from '../../ui/figures';
import { Ticks } from '../../ui/Tick';
import { typedNumber, wordsOf } from '../../ui/typed';
import { dayOf, momentOf, timeOf, without, type Outing, type Wanted } from './day';
import { FormEnd } from './FormEnd';
import { LineInput } from './LineInput';

const say = outingsWords.outings;

interface Props {
    outing: Outing;
    /** null = a new one. */
    subject: Wanted | null;
    onClose: () => void;
    onKeep: (subject: Wanted) => Promise<unknown>;
}

/** What fills the frame, and what it needs. */
export function SubjectDialog({ outing, subject, onClose, onKeep }: Props) {
    const { units } = usePreferences();
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const given = subject?.subject['traits'];
    const [traits, setTraits] = useState<readonly string[]>(Array.isArray(given) ? given.map(String) : []);
    const wish = subject?.wish ?? {};
    const kept = (name: string) => (typeof wish[name] === 'number' ? lengthDigits(wish[name], units).replaceAll(',', '') : '');
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        // What is empty or no number is left to the server, which says what it should be.
        const mm = (name: string): Record<string, number> => {
            const number = typedNumber(word(name));
            return number === null ? {} : { [name]: units === 'mm' ? number : number * 25.4 };
        };
        const rest = without(wish, 'fieldWidthMm', 'leastRoomMm', 'subjectDepthMm', 'support', 'flat');
        const known = without(subject?.subject ?? {}, 'traits');
        const day = outing.date ?? (outing.startsAt === null ? null : dayOf(outing.startsAt));
        setBusy(true);
        setTrouble(null);
        onKeep({
            name: word('name').trim(),
            wish: {
                ...rest,
                ...mm('fieldWidthMm'),
                ...mm('leastRoomMm'),
                ...mm('subjectDepthMm'),
                ...(word('support') === '' ? {} : { support: word('support') }),
                ...(word('flat') === '' ? {} : { flat: true }),
            },
            subject: { ...known, ...(traits.length > 0 ? { traits } : {}) },
            at: word('time') === '' || day === null ? null : momentOf(day, word('time')),
            without: subject?.without ?? [],
            pinned: subject?.pinned ?? null,
        })
            .then(onClose)
            .catch((error: unknown) => {
                setTrouble(reasonOf(error));
                setBusy(false);
            });
    };
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={subject?.name ?? say.addSubject} text={say.subjectText}>
            <form onSubmit={submit} className="grid gap-3">
                <LineInput label={say.subject} name="name" required maxLength={200} defaultValue={subject?.name ?? ''} />
                <div className="grid grid-cols-2 gap-3">
                    <LineInput
                        label={`${say.width}, ${units}`}
                        name="fieldWidthMm"
                        inputMode="decimal"
                        required={typeof wish['magnification'] !== 'number'}
                        defaultValue={kept('fieldWidthMm')}
                    />
                    <LineInput label={`${say.room}, ${units}`} name="leastRoomMm" inputMode="decimal" defaultValue={kept('leastRoomMm')} />
                    <LineInput
                        label={`${say.depth}, ${units}`}
                        name="subjectDepthMm"
                        inputMode="decimal"
                        defaultValue={kept('subjectDepthMm')}
                    />
                    <LineInput label={say.time} name="time" type="time" defaultValue={subject?.at ? timeOf(subject.at) : ''} />
                </div>
                <label className="block text-sm">
                    {say.support}
                    <select
                        name="support"
                        defaultValue={typeof wish['support'] === 'string' ? wish['support'] : ''}
                        className="mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base"
                    >
                        <option value="">{say.wherever}</option>
                        {Object.entries(say.supports).map(([value, text]) => (
                            <option key={value} value={value}>
                                {text}
                            </option>
                        ))}
                    </select>
                </label>
                <div className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
                    <label className="flex items-center gap-1.5">
                        <input type="checkbox" name="flat" className="accent-(--brass)" defaultChecked={wish['flat'] === true} />
                        {say.flat}
                    </label>
                    <Ticks words={Object.entries(say.traits)} chosen={traits} onChange={setTraits} />
                </div>
                <FormEnd trouble={trouble} keep={say.keep} busy={busy} onCancel={onClose} />
            </form>
        </Dialog>
    );
}
