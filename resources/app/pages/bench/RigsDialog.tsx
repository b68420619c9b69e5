import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type RigView } from '../../api/client';
import { keys, rigsChanged } from '../../api/queries';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Narrow } from '../../ui/Narrow';

const say = strings.rigs;

/** All rigs: found by name, tag or part; the one on the bench tagged here. */
export function RigsDialog({ rig, onClose }: { rig: RigView; onClose: () => void }) {
    const queries = useQueryClient();
    const navigate = useNavigate();
    const [search, setSearch] = useState('');
    const [page, setPage] = useState(1);
    const [tag, setTag] = useState('');
    const found = useQuery({
        queryKey: keys.rigsLike(search, page),
        queryFn: () => api.findRigs(search, page),
        placeholderData: keepPreviousData,
    });
    const put = useMutation({
        mutationFn: (tags: string[]) => api.tag(rig.id, tags),
        onSuccess: (_, tags) => {
            queries.setQueryData<RigView>(keys.rig(rig.id), (now) => now && { ...now, tags });
            rigsChanged(queries);
            setTag('');
        },
    });
    return (
        <Dialog wide open onOpenChange={onClose} title={say.title} text={say.text}>
            <form
                className="flex flex-wrap items-center gap-2 border-b-2 border-ink pb-3 text-sm"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (tag.trim()) put.mutate([...rig.tags, tag.trim()]);
                }}
            >
                <span className="font-semibold">{rig.name ?? strings.bench.unnamed}</span>
                {rig.tags.map((each) => (
                    <span key={each} className="flex items-center border border-line bg-ground px-1.5">
                        {each}
                        <button
                            type="button"
                            className="pl-1.5 text-soft hover:text-ink"
                            aria-label={say.untag(each)}
                            onClick={() => put.mutate(rig.tags.filter((other) => other !== each))}
                        >
                            ×
                        </button>
                    </span>
                ))}
                <input
                    value={tag}
                    onChange={(event) => setTag(event.target.value)}
                    maxLength={40}
                    aria-label={say.newTag}
                    placeholder={say.newTag}
                    className="w-32 border-b-2 border-brass bg-ground px-1.5 py-1"
                />
                <Button type="submit">{say.tag}</Button>
                {put.error && (
                    <span role="alert" className="w-full">
                        {put.error.message}
                    </span>
                )}
            </form>
            <Narrow
                autoFocus
                className="mt-3 w-full py-1"
                value={search}
                onChange={(next) => {
                    setSearch(next);
                    setPage(1);
                }}
                label={say.search}
                placeholder={say.search}
            />
            <ul className="slim-scroll max-h-[46vh] overflow-auto" tabIndex={0} aria-label={say.title}>
                {found.data?.map((each) => (
                    <li key={each.id} className="border-b border-line">
                        <button
                            type="button"
                            className="block w-full px-1 py-1.5 text-left text-sm hover:bg-ground"
                            onClick={() => {
                                onClose();
                                void navigate(`/bench/${each.id}`);
                            }}
                        >
                            <span className="font-semibold">{each.name ?? strings.bench.unnamed}</span>
                            {each.tags.length > 0 && <span className="ml-2 text-xs text-brass">{each.tags.join(' · ')}</span>}
                            <span className="float-right text-xs text-soft">{new Date(each.updatedAt).toLocaleDateString()}</span>
                            <span className="block text-xs text-soft">{each.parts || say.nothing}</span>
                        </button>
                        {each.trouble !== null && (
                            <p className="border-l-[3px] border-ink px-2 pb-1.5 text-xs">
                                {say.unreadable(each.trouble)}{' '}
                                <a className="text-beam underline underline-offset-2" href={api.fileAddress(each.id)} download>
                                    {say.takeFile}
                                </a>
                            </p>
                        )}
                    </li>
                ))}
            </ul>
            {found.data?.length === 0 && <p className="py-3 text-sm text-soft">{say.none}</p>}
            <div className="flex items-center justify-end gap-2 pt-3">
                {page > 1 && <Button onClick={() => setPage(page - 1)}>{say.newer}</Button>}
                {found.data?.length === 50 && <Button onClick={() => setPage(page + 1)}>{say.older}</Button>}
                <Button onClick={onClose}>{kitWords.kit.close}</Button>
            </div>
        </Dialog>
    );
}
