import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type SyntheticEvent } from 'react';
import { api, reasonOf, type Schema } from '../../api/client';
import { eveningsChanged, keys } from '../../api/queries';
import { practice as practiceWords } from '../../strings/practice';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { narrowLook } from '../../ui/Narrow';
import { EveningAnswers } from './EveningAnswers';

const say = practiceWords.practice.evening;

/** Evenings that one opened: their links, and what was answered. */
export function EveningsPanel({ kit }: { kit: number }) {
    const queries = useQueryClient();
    const evenings = useQuery({ queryKey: keys.evenings, queryFn: api.evenings, retry: false });
    const [title, setTitle] = useState('');
    const [copied, setCopied] = useState<number | null>(null);
    const [shown, setShown] = useState<Schema['EveningView'] | null>(null);
    const changed = () => eveningsChanged(queries);
    const open = useMutation({
        mutationFn: () => api.openEvening(kit, title.trim()),
        onSuccess: () => {
            setTitle('');
            changed();
        },
    });
    const drop = useMutation({ mutationFn: api.dropEvening, onSuccess: changed });
    const copy = async (evening: Schema['EveningView']) => {
        await navigator.clipboard.writeText(evening.link);
        setCopied(evening.id);
    };
    const trouble = open.error ?? drop.error;
    const submit = (event: SyntheticEvent) => {
        event.preventDefault();
        if (title.trim() !== '') open.mutate();
    };
    return (
        <section aria-label={say.title} className="pt-6">
            <h2 className="pb-1 text-base font-semibold">{say.title}</h2>
            <p className="text-sm text-soft">{say.text}</p>
            <form onSubmit={submit} className="flex flex-wrap items-end gap-2 py-2">
                <label className="min-w-0 flex-1 text-sm">
                    <span className="block text-xs text-soft">{say.name}</span>
                    <input
                        className={`${narrowLook} w-full`}
                        value={title}
                        maxLength={120}
                        onChange={(event) => setTitle(event.target.value)}
                    />
                </label>
                <Button type="submit" disabled={title.trim() === '' || open.isPending}>
                    {say.open}
                </Button>
            </form>
            {trouble !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(trouble)}
                </p>
            )}
            <ul className="text-sm">
                {(evenings.data ?? []).map((evening) => (
                    <li key={evening.id} className="border-b border-line py-2">
                        <p className="flex items-baseline justify-between gap-3">
                            <span className="font-semibold">{evening.title}</span>
                            <span className="text-soft">{say.sheets(evening.sheets)}</span>
                        </p>
                        <input
                            readOnly
                            aria-label={evening.title}
                            className="figures w-full truncate bg-transparent py-1 text-xs text-soft"
                            value={evening.link}
                            onFocus={(event) => event.currentTarget.select()}
                        />
                        <p className="flex flex-wrap gap-x-3">
                            <button type="button" className="text-beam underline underline-offset-2" onClick={() => void copy(evening)}>
                                {copied === evening.id ? say.copied : say.copy}
                            </button>
                            <button type="button" className="text-beam underline underline-offset-2" onClick={() => setShown(evening)}>
                                {say.results}
                            </button>
                            <button
                                type="button"
                                className="ml-auto text-soft hover:text-ink"
                                disabled={drop.isPending}
                                onClick={() => drop.mutate(evening.id)}
                            >
                                {say.drop}
                            </button>
                        </p>
                    </li>
                ))}
            </ul>
            {shown && (
                <Dialog wide open onOpenChange={(on) => !on && setShown(null)} title={shown.title} text={say.until(shown.until)}>
                    <OwnEvening id={shown.id} />
                </Dialog>
            )}
        </section>
    );
}

function OwnEvening({ id }: { id: number }) {
    const results = useQuery({ queryKey: keys.evening(id), queryFn: () => api.evening(id), retry: false });
    if (results.isError) return <p role="alert">{reasonOf(results.error)}</p>;
    return results.data ? <EveningAnswers results={results.data} /> : <p aria-busy className="h-24" />;
}
