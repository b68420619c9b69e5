import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type KitView, type PartFields, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Narrow } from '../../ui/Narrow';
import { LensSure } from './LensSure';
import { PartForm } from './PartForm';
import { WriteList } from './WriteList';
import type { KitChange } from '../../kit/useKit';

interface Props {
    kit: KitView;
    change: KitChange;
    onAdded: (part: number) => void;
    onClose: () => void;
}

/** Adding begins from a generic pattern, and asks first for what changes the answer most. */
export function AddPart({ kit, change, onAdded, onClose }: Props) {
    const patterns = useQuery({ queryKey: keys.patterns, queryFn: api.patterns, staleTime: Infinity });
    const [search, setSearch] = useState('');
    const [pattern, setPattern] = useState<Schema['PatternView'] | null>(null);
    const [at, setAt] = useState(0);
    const [done, setDone] = useState<PartFields[]>([]);
    const [writing, setWriting] = useState(false);

    if (writing) return <WriteList kit={kit} change={change} onAdded={onClose} onCancel={() => setWriting(false)} />;

    if (pattern) {
        const fields = pattern.parts[at]?.fields ?? {};
        const last = at === pattern.parts.length - 1;
        // Parts of a set share their joints: what was said of the first holds for the rest.
        const first = done[0];
        const initial: PartFields = { ...fields };
        if (first !== undefined && fields['kind'] === first['kind']) {
            for (const joint of ['rear', 'front', 'passes']) if (first[joint] !== undefined) initial[joint] = first[joint];
        }
        return (
            <>
                <h2 className="text-base font-semibold">{pattern.name}</h2>
                <p className="pb-2 text-xs text-soft">
                    {pattern.parts.length > 1 ? kitWords.kit.partOf(at + 1, pattern.parts.length) : kitWords.kit.patternNote}
                </p>
                <PartForm
                    key={at}
                    kind={typeof fields['kind'] === 'string' ? fields['kind'] : 'tube'}
                    initial={initial}
                    ask={pattern.ask}
                    others={kit.parts}
                    pointer="/parts/0"
                    save={last ? kitWords.kit.add(pattern.parts.length) : kitWords.kit.next}
                    busy={change.isPending}
                    below={(part) => part['kind'] === 'lens' && <LensSure kit={kit.id} fields={part} />}
                    onSave={async (part) => {
                        if (!last) {
                            setDone([...done, part]);
                            setAt(at + 1);
                            return;
                        }
                        await change.mutateAsync(async (id) => {
                            const added = await api.addParts(id, [...done, part]);
                            if (added[0]) onAdded(added[0].part.id);
                            return undefined;
                        });
                    }}
                    onCancel={() => {
                        setPattern(null);
                        setAt(0);
                        setDone([]);
                    }}
                />
            </>
        );
    }
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    const found = (patterns.data ?? []).filter((each) => {
        const text = `${each.group} ${each.name} ${each.text}`.toLowerCase();
        return words.every((word) => text.includes(word));
    });
    const groups = [...new Set(found.map((each) => each.group))];
    return (
        <>
            <div className="flex items-baseline justify-between">
                <h2 className="text-base font-semibold">{kitWords.kit.addPart}</h2>
                <button type="button" className="text-sm text-soft hover:text-ink" onClick={onClose}>
                    {kitWords.kit.close}
                </button>
            </div>
            <p className="pb-2 text-xs text-soft">{kitWords.kit.addNote}</p>
            <Narrow
                autoFocus
                className="mb-2 w-full py-1"
                value={search}
                onChange={setSearch}
                label={kitWords.kit.searchPatterns}
                placeholder={strings.tray.narrow}
            />
            <button
                type="button"
                className="block w-full border-y border-ink px-1 py-2 text-left text-sm font-semibold hover:bg-ground"
                onClick={() => setWriting(true)}
            >
                {kitWords.kit.list.open}
                <span className="block text-xs font-normal text-soft">{kitWords.kit.list.openNote}</span>
            </button>
            {groups.map((group) => (
                <section key={group} aria-label={kitWords.kit.patternsOf(group)}>
                    <h3 className="border-b border-ink pt-3 text-xs font-semibold text-soft">{group}</h3>
                    <ul>
                        {found
                            .filter((each) => each.group === group)
                            .map((each) => (
                                <li key={each.id} className="border-b border-line">
                                    <button
                                        type="button"
                                        className="block w-full px-1 py-1.5 text-left text-sm hover:bg-ground"
                                        onClick={() => setPattern(each)}
                                    >
                                        {each.name}
                                        <span className="block text-xs text-soft">{each.text}</span>
                                    </button>
                                </li>
                            ))}
                    </ul>
                </section>
            ))}
            {patterns.data && found.length === 0 && <p className="text-sm text-soft">{kitWords.kit.noPattern}</p>}
        </>
    );
}
