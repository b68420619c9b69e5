import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, messageOf, type KitView, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { kindWords, length } from '../../ui/figures';
import { useSettled } from '../../ui/useSettled';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    change: KitChange;
    onAdded: () => void;
    onCancel: () => void;
}

const say = kitWords.kit.list;

/** A list in words, or rows of a spreadsheet: understood line by line while it is written, taken in all at once. */
export function WriteList({ kit, change, onAdded, onCancel }: Props) {
    const [text, setText] = useState('');
    const [trouble, setTrouble] = useState<string | null>(null);
    const asked = useSettled(text, text, 250);
    const query = useQuery({
        queryKey: keys.words(kit.id, kit.revision, asked),
        queryFn: () => api.readWords(kit.id, asked),
        enabled: asked.trim() !== '',
        placeholderData: keepPreviousData,
        retry: false,
    });
    const lines = asked.trim() === '' ? [] : (query.data ?? []);
    const parts = lines.flatMap(({ part }) => (part === null ? [] : [part]));
    const lacking = lines.length - parts.length;
    const take = () => {
        setTrouble(null);
        change
            .mutateAsync(async (id) => {
                await api.addParts(id, parts);
                return undefined;
            })
            .then(onAdded)
            .catch((error: unknown) => setTrouble(messageOf(error)));
    };
    const fault = trouble ?? (query.error === null ? null : messageOf(query.error));
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                take();
            }}
        >
            <h2 className="text-base font-semibold">{say.title}</h2>
            <label className="block pt-1 text-xs text-soft">
                {say.note}
                <textarea
                    autoFocus
                    rows={7}
                    value={text}
                    maxLength={40_000}
                    spellCheck={false}
                    placeholder={say.examples.join('\n')}
                    onChange={(event) => setText(event.target.value)}
                    className="figures mt-2 block w-full border-b-2 border-brass bg-ground px-2 py-1.5 text-sm text-ink placeholder:text-soft"
                />
            </label>
            <p className="figures py-2 text-sm" role="status">
                {lines.length > 0 && say.counts(parts.length, lacking)}
            </p>
            <ul aria-label={say.understood} className="border-t border-ink" aria-busy={query.isFetching}>
                {lines.map((line, at) => (
                    <Understood key={at} line={line} />
                ))}
            </ul>
            {fault !== null && (
                <p role="alert" className="mt-2 border-l-[3px] border-ink pl-2 text-sm">
                    {fault}
                </p>
            )}
            <div className="sticky bottom-0 flex flex-wrap gap-2 border-t border-line bg-plate py-3">
                <Button strong type="submit" disabled={parts.length === 0 || change.isPending || asked !== text}>
                    {say.take(parts.length)}
                </Button>
                <Button onClick={onCancel}>{strings.dialog.cancel}</Button>
            </div>
        </form>
    );
}

/** One part: what it was taken for, what is taken because nobody told it, and what that costs; or what is lacking. */
function Understood({ line }: { line: Schema['WordsLine'] }) {
    const unclear = line.part === null;
    return (
        <li className="border-b border-line py-1.5 text-sm">
            <p className="flex gap-2">
                <span className="figures w-6 shrink-0 text-right text-xs leading-5 text-soft">{line.line}</span>
                <span className={`min-w-0 flex-1 break-words ${unclear ? 'text-soft' : 'font-semibold'}`}>
                    {unclear ? line.text : line.name}
                </span>
                {line.kind !== null && <span className="shrink-0 text-xs leading-5 text-verdigris">{kindWords(line.kind)}</span>}
            </p>
            {unclear && <p className="ml-8 border-l-[3px] border-ink pl-2">{line.trouble}</p>}
            {line.taken.length > 0 && (
                <p className="ml-8 text-xs text-soft">
                    {say.taken(line.taken.join(', '))}
                    {line.roomHalfWidthMm !== null && ` ${say.costs(length(line.roomHalfWidthMm, 'mm'))}`}
                </p>
            )}
        </li>
    );
}
