import { kindWords } from '../../ui/figures';
import { useState } from 'react';
import { api, messageOf, Refused, type KitView, type Schema } from '../../api/client';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    change: KitChange;
    onClose: () => void;
}

const say = kitWords.files;
const shown = 200;

/** Brings a file in: what it would change is shown first, and all of it is taken or nothing. */
export function FilesDialog({ kit, change, onClose }: Props) {
    const [file, setFile] = useState<{ name: string; text: string; as: 'json' | 'csv' } | null>(null);
    const [seen, setSeen] = useState<Schema['ImportView'] | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);

    const read = async (chosen: File | undefined) => {
        setSeen(null);
        setTrouble(null);
        if (!chosen) return;
        if (chosen.size > 2 * 1024 * 1024) {
            setTrouble(say.tooLarge);
            return;
        }
        const text = await chosen.text();
        const as = /\.csv$/i.test(chosen.name) ? 'csv' : 'json';
        setFile({ name: chosen.name, text, as });
        try {
            setSeen(await api.previewImport(kit.id, text, as));
        } catch (error) {
            setTrouble(messageOf(error));
        }
    };
    const take = () => {
        if (!file || !seen) return;
        change
            .mutateAsync((id) => api.takeImport(id, seen.revision, file.text, file.as))
            .then(onClose)
            .catch((error: unknown) => {
                setTrouble(messageOf(error));
                if (error instanceof Refused && error.status === 409) void api.previewImport(kit.id, file.text, file.as).then(setSeen);
            });
    };
    const changes = seen ? seen.new + seen.different : 0;
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            <label className="block text-sm">
                <span className="sr-only">{say.choose}</span>
                <input
                    type="file"
                    accept=".json,.csv,application/json,text/csv"
                    onChange={(event) => void read(event.target.files?.[0])}
                    className="block w-full text-sm file:mr-3 file:border file:border-line file:bg-ground file:px-3 file:py-1.5 file:text-ink"
                />
            </label>
            {trouble !== null && (
                <p role="alert" className="mt-3 border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            {seen && (
                <>
                    <p className="figures py-3 text-sm" role="status">
                        {seen.refused > 0 ? say.refused(seen.refused) : say.counts(seen.new, seen.different, seen.same)}
                    </p>
                    <div
                        className="slim-scroll max-h-[40vh] overflow-auto border-t border-ink"
                        tabIndex={0}
                        role="region"
                        aria-label={say.changes}
                    >
                        <table className="w-full text-sm">
                            <tbody>
                                {seen.rows
                                    .filter((row) => row.what !== 'same')
                                    .slice(0, shown)
                                    .map((row, at) => (
                                        <tr key={at} className="border-b border-line align-top">
                                            <td
                                                className={`py-1 pr-3 ${row.what === 'new' ? 'text-verdigris' : row.what === 'different' ? 'text-brass' : 'font-semibold'}`}
                                            >
                                                {say.what[row.what]}
                                            </td>
                                            <td className="py-1 pr-3">
                                                {row.what === 'refused'
                                                    ? row.line === null
                                                        ? (row.column ?? '')
                                                        : say.place(row.line, row.column ?? '')
                                                    : row.name}
                                            </td>
                                            <td className="py-1 text-soft">{row.detail || row.kind === null ? '' : kindWords(row.kind)}</td>
                                        </tr>
                                    ))}
                            </tbody>
                        </table>
                    </div>
                    {seen.rows.length > shown && <p className="pt-1 text-xs text-soft">{say.more(seen.rows.length - shown)}</p>}
                </>
            )}
            <div className="mt-4 flex items-center justify-end gap-2">
                <Button onClick={onClose}>{strings.dialog.cancel}</Button>
                <Button strong disabled={!seen || seen.refused > 0 || changes === 0 || change.isPending} onClick={take}>
                    {say.take(changes)}
                </Button>
            </div>
        </Dialog>
    );
}
