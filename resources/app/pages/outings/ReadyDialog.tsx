import type { SubmitEvent } from 'react';
import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { typedNumber, wordsOf } from '../../ui/typed';
import { clockWords, leadWords, type Outing } from './day';
import { LineInput } from './LineInput';
import type { Save } from './useOuting';

const say = outingsWords.outings;

const seconds: Readonly<Record<string, number>> = { m: 60, h: 3_600, d: 86_400 };

/** What must be ready how long before. */
export function ReadyDialog({ outing, save, onClose }: { outing: Outing; save: Save; onClose: () => void }) {
    const add = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        const word = wordsOf(form);
        const lead = Math.round((typedNumber(word('lead')) ?? 0) * (seconds[word('unit')] ?? 60));
        save.mutate({
            preparations: [
                ...outing.preparations,
                { what: word('what').trim(), leadS: lead, for: word('for') === '' ? null : word('for'), due: null, late: false },
            ],
        });
        form.reset();
    };
    const select = 'border-b-2 border-brass bg-ground px-2 py-1.5 text-base';
    return (
        <Dialog open onOpenChange={(on) => !on && onClose()} title={say.timeline} text={say.readyText}>
            <ul className="border-t border-line text-sm">
                {outing.preparations.map((each, n) => (
                    <li key={n} className="flex items-baseline gap-2 border-b border-line py-1.5">
                        <span className="min-w-0 flex-1">
                            {each.what}
                            <span className="block text-soft">
                                {leadWords(each.leadS)} · {each.for ?? say.forAll}
                            </span>
                        </span>
                        <span className="figures">
                            {each.due !== null && clockWords(each.due, outing.date)}
                            {each.late && ` · ${say.late}`}
                        </span>
                        <button
                            type="button"
                            className="px-2 text-soft hover:text-ink"
                            aria-label={say.drop(each.what)}
                            onClick={() => save.mutate({ preparations: outing.preparations.filter((one) => one !== each) })}
                        >
                            ×
                        </button>
                    </li>
                ))}
            </ul>
            <form onSubmit={add} className="grid gap-3 pt-4">
                <LineInput label={say.what} name="what" required maxLength={200} />
                <div className="flex items-end gap-2">
                    <LineInput className="w-[130px]" label={say.lead} name="lead" inputMode="decimal" required />
                    <select name="unit" aria-label={say.lead} className={select} defaultValue="h">
                        {Object.entries(say.units).map(([value, text]) => (
                            <option key={value} value={value}>
                                {text}
                            </option>
                        ))}
                    </select>
                </div>
                <label className="block text-sm">
                    {say.for}
                    <select name="for" aria-label={say.for} className={`mt-1 block w-full ${select}`}>
                        <option value="">{say.forAll}</option>
                        {outing.subjects.map(({ name }) => (
                            <option key={name} value={name}>
                                {name}
                            </option>
                        ))}
                    </select>
                </label>
                <div className="flex justify-end">
                    <Button strong type="submit">
                        {say.addReady}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
