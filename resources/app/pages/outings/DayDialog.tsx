import { useState, type SubmitEvent } from 'react';
import { reasonOf } from '../../api/client';
import { useKits } from '../../kit/useKit';
import { outings as outingsWords } from '../../strings/outings';
import { Dialog } from '../../ui/Dialog';
import { Ticks } from '../../ui/Tick';
import { typedNumber, wordsOf } from '../../ui/typed';
import { momentOf, timeOf, without, type Outing } from './day';
import { FormEnd } from './FormEnd';
import { LineInput } from './LineInput';
import type { Save } from './useOuting';

const say = outingsWords.outings;

/** When and where, from which kit, least of what, and the light that is expected. */
export function DayDialog({ outing, save, onClose }: { outing: Outing; save: Save; onClose: () => void }) {
    const { kits } = useKits();
    const [trouble, setTrouble] = useState<string | null>(null);
    const given = outing.conditions['surroundings'];
    const [around, setAround] = useState<readonly string[]>(Array.isArray(given) ? given.map(String) : []);
    const figure = (name: string) => (typeof outing.conditions[name] === 'number' ? String(outing.conditions[name]) : '');
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const word = wordsOf(event.currentTarget);
        const rest = without(outing.conditions, 'surroundings', 'iso', 'ev');
        const number = (name: string) => {
            const value = typedNumber(word(name));
            return value === null ? {} : { [name]: value };
        };
        const date = word('date');
        // Subjects keep the clock they were given and follow the day.
        const subjects = outing.subjects.map((each) =>
            each.at === null || date === '' ? each : { ...each, at: momentOf(date, timeOf(each.at)) },
        );
        setTrouble(null);
        save.mutateAsync({
            name: word('name').trim(),
            date: date === '' ? null : date,
            place: word('place') === '' ? null : word('place'),
            startsAt: date === '' || word('time') === '' ? null : momentOf(date, word('time')),
            by: word('by'),
            kit: word('kit') === '' ? null : Number(word('kit')),
            conditions: { ...rest, ...number('iso'), ...number('ev'), ...(around.length > 0 ? { surroundings: around } : {}) },
            subjects,
        })
            .then(onClose)
            .catch((error: unknown) => setTrouble(reasonOf(error)));
    };
    const select = 'mt-1 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-base';
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={outing.name} text={say.dayText}>
            <form onSubmit={submit} className="grid gap-3">
                <LineInput label={say.name} name="name" required maxLength={200} defaultValue={outing.name} />
                <div className="grid grid-cols-2 gap-3">
                    <LineInput label={say.date} name="date" type="date" defaultValue={outing.date ?? ''} />
                    <LineInput label={say.starts} name="time" type="time" defaultValue={outing.startsAt ? timeOf(outing.startsAt) : ''} />
                </div>
                <LineInput label={say.place} name="place" maxLength={200} defaultValue={outing.place ?? ''} />
                <div className="grid grid-cols-2 gap-3">
                    <label className="block text-sm">
                        {say.kit}
                        <select name="kit" defaultValue={outing.kit ?? ''} className={select}>
                            <option value="">{say.noKit}</option>
                            {kits?.map((kit) => (
                                <option key={kit.id} value={kit.id}>
                                    {kit.name}
                                </option>
                            ))}
                        </select>
                    </label>
                    <label className="block text-sm">
                        {say.by}
                        <select name="by" defaultValue={outing.by} className={select}>
                            {Object.entries(say.goals).map(([value, text]) => (
                                <option key={value} value={value}>
                                    {text}
                                </option>
                            ))}
                        </select>
                    </label>
                    <LineInput label={say.iso} name="iso" inputMode="decimal" defaultValue={figure('iso')} />
                    <LineInput label={say.ev} name="ev" inputMode="decimal" defaultValue={figure('ev')} />
                </div>
                <fieldset className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
                    <legend className="pb-1">{say.surroundings}</legend>
                    <Ticks words={Object.entries(say.around)} chosen={around} onChange={setAround} />
                </fieldset>
                <FormEnd trouble={trouble} keep={say.keep} onCancel={onClose} />
            </form>
        </Dialog>
    );
}
