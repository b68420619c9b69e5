import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDraggable } from '@dnd-kit/core';
import { Command } from 'cmdk';
import { useState, type KeyboardEvent, type Ref } from 'react';
import type { RigView, Schema } from '../../api/client';
import type { Lying } from '../../drawing/asked';
import { PartSilhouette } from '../../drawing/PartSilhouette';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { lyingIn, trayAt } from './trayAt';
import { narrowLook } from '../../ui/Narrow';
import { measureIn } from '../../ui/figures';

interface Props {
    ref: Ref<HTMLInputElement>;
    rig: RigView;
    index: number;
    busy: boolean;
    /** A part that is to be swapped; null = parts are put in at the joint. */
    swapping: string | null;
    onInsert: (parts: readonly Lying[]) => Promise<void>;
    onLeave: () => void;
}

/** The kit as silhouettes at one scale: what fits the chosen joint stands up, the rest lies dim with the reason. */
export function TrayPanel({ ref, rig, index, busy, swapping, onInsert, onLeave }: Props) {
    const [search, setSearch] = useState('');
    const [chosen, setChosen] = useState('');
    const of = trayAt(rig, index);
    const tray = useQuery({ ...of, placeholderData: keepPreviousData });
    const parts = tray.data?.parts ?? [];
    const fitting = parts.filter((each) => each.fits).length;
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    const matching = parts.filter(({ part }) => {
        const text = `${part.name} ${part.measure} ${part.kind}`.toLowerCase();
        return words.every((word) => text.includes(word));
    });
    // The first that fits is chosen until another one is walked to: also when the tray arrives after the typing.
    const usable = (each: Schema['TrayPart']) => each.fits || (swapping === null && each.via.length > 0);
    const fits = matching.filter(usable);
    const active = fits.find((each) => keyOf(each) === chosen) ?? fits[0];

    const queries = useQueryClient();
    const insert = async (each: Schema['TrayPart']) => {
        if (!usable(each) || busy) return;
        setSearch('');
        // For a moment the tray shows what went on the joint before: what leads to this one is asked anew.
        const now = tray.isPlaceholderData ? await queries.query(of) : tray.data;
        const fresh = now?.parts.find(({ part }) => part.id === each.part.id);
        if (!now || !fresh || !usable(fresh)) return;
        await onInsert(lyingIn(now, fresh.part.id, swapping === null));
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'Escape') {
            setSearch('');
            onLeave();
        }
        event.stopPropagation();
    };

    return (
        <Command
            label={strings.bench.putIn}
            shouldFilter={false}
            value={active ? keyOf(active) : ''}
            onValueChange={setChosen}
            className="flex min-w-0 flex-1 flex-col"
            onKeyDown={onKeyDown}
            loop
        >
            <div className="flex items-baseline gap-3 py-2">
                <h2 className="text-sm font-semibold whitespace-nowrap">
                    {swapping === null ? (tray.data?.title ?? ' ') : strings.tray.instead(swapping)}
                </h2>
                <span className="truncate text-xs text-soft">
                    {tray.data && `${tray.data.joint} · ${strings.tray.fits(fitting, parts.length)}`}
                </span>
                <Command.Input
                    ref={ref}
                    value={search}
                    onValueChange={setSearch}
                    placeholder={strings.tray.narrow}
                    className={`${narrowLook} ml-auto w-40 py-0.5`}
                />
            </div>
            <Command.List
                aria-busy={tray.isPending}
                // Where it stands above the readings they don't move when it comes.
                className={`slim-scroll min-h-0 flex-1 snap-y snap-proximity overflow-y-auto max-lg:max-h-[420px] ${tray.data ? '' : 'max-lg:min-h-[420px]'} [&>[cmdk-list-sizer]]:flex [&>[cmdk-list-sizer]]:flex-wrap [&>[cmdk-list-sizer]]:gap-1.5`}
            >
                {matching.length === 0 && !tray.isPending && (
                    <Command.Item disabled value="none" className="text-sm text-soft">
                        {strings.tray.none}
                    </Command.Item>
                )}
                {matching.map((each) => (
                    <TrayItem
                        key={each.part.id}
                        each={each}
                        usable={usable(each)}
                        onSelect={() => void insert(each).catch(() => undefined)}
                    />
                ))}
            </Command.List>
        </Command>
    );
}

/** One part as it lies in the tray: chosen, or taken by the hand to a joint. */
function TrayItem({ each, usable, onSelect }: { each: Schema['TrayPart']; usable: boolean; onSelect: () => void }) {
    const { units } = usePreferences();
    const { setNodeRef, listeners, isDragging } = useDraggable({
        id: `tray-${each.part.id}`,
        data: { part: each.part.id },
        disabled: each.left === 0 || !each.part.inChain,
    });
    return (
        <Command.Item
            ref={setNodeRef}
            {...listeners}
            value={keyOf(each)}
            disabled={!usable}
            onSelect={onSelect}
            className={`touch-manipulation snap-start px-2 pt-1 pb-0.5 text-xs ${isDragging ? 'opacity-40' : ''} ${
                usable
                    ? `plate cursor-pointer border-b-2 data-[selected=true]:border-b-4 data-[selected=true]:border-brass ${each.fits ? 'border-verdigris' : 'border-dashed border-verdigris'}`
                    : 'border-b-2 border-transparent'
            }`}
        >
            <div className={`flex h-[36px] items-end ${usable ? '' : 'opacity-45'}`}>
                <PartSilhouette part={each.part} scale={0.44} tallest={36} />
            </div>
            <p className={`mt-0.5 whitespace-nowrap ${usable ? 'font-semibold' : ''}`}>{each.part.name}</p>
            <p className="whitespace-nowrap text-soft">
                <span className="figures">{each.fits ? measureIn(each.part.kind, each.part.measure, units) : ''}</span>
                {each.reason && <span>{each.fits ? ` · ${each.reason}` : each.reason}</span>}
            </p>
        </Command.Item>
    );
}

const keyOf = (each: Schema['TrayPart']) => String(each.part.id);
