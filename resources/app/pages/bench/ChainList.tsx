import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useQuery } from '@tanstack/react-query';
import { Fragment, type KeyboardEvent, type Ref } from 'react';
import { api, type RigView } from '../../api/client';
import { keys } from '../../api/queries';
import { jointItem, partItem } from '../../drawing/RigDrawing';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { magnification } from '../../ui/figures';
import { Menu, MenuItem } from '../../ui/Menu';

interface Props {
    ref: Ref<HTMLDivElement>;
    rig: RigView;
    selected: number;
    onSelect: (item: number) => void;
    onKeyDown: (event: KeyboardEvent) => void;
    onTakeOff: (index: number) => void;
    onTurn: (index: number) => void;
    onMakeshift: (index: number, used: boolean) => void;
    onSwap: (index: number) => void;
    onMove: (index: number, by: number) => void;
    onCamera: (part: number) => void;
}

/** The rig as an ordered list: camera, joint, part, joint … what the drawing shows, for keys and for the ear. */
export function ChainList({ ref, rig, selected, onSelect, onKeyDown, onTakeOff, onTurn, onMakeshift, onSwap, onMove, onCamera }: Props) {
    const index = selected > 0 && selected % 2 === 0 ? selected / 2 - 1 : null;
    const part = index === null ? undefined : rig.chain[index];
    return (
        <div className="flex items-center gap-2 border-t border-line py-1.5">
            <div
                ref={ref}
                role="listbox"
                aria-label={strings.bench.chain}
                aria-description={strings.bench.chainHelp}
                aria-orientation="horizontal"
                aria-activedescendant={`item-${selected}`}
                tabIndex={0}
                onKeyDown={onKeyDown}
                className="slim-scroll flex min-w-0 flex-1 items-center overflow-x-auto px-1 py-1"
            >
                <Item
                    id={0}
                    selected={selected}
                    onSelect={onSelect}
                    text={rig.camera.name}
                    spoken={`${strings.bench.camera} ${rig.camera.name}`}
                />
                <Joint
                    id={jointItem(0)}
                    selected={selected}
                    onSelect={onSelect}
                    text={rig.camera.joint}
                    wrong={rig.chain[0] !== undefined && misfit(rig.chain[0].fit)}
                />
                {rig.chain.map((each) => {
                    const next = rig.chain[each.index + 1];
                    return (
                        <Fragment key={each.index}>
                            <Item
                                index={each.index}
                                id={partItem(each.index)}
                                selected={selected}
                                onSelect={onSelect}
                                text={each.name + (each.reversed ? ' ⇄' : '')}
                                spoken={`${each.name}${each.reversed ? ', reversed' : ''}, ${each.measure}${each.setting ? `, ${each.setting}` : ''}`}
                            />
                            <Joint
                                id={jointItem(each.index + 1)}
                                selected={selected}
                                onSelect={onSelect}
                                text={each.joint}
                                wrong={next !== undefined && misfit(next.fit)}
                            />
                        </Fragment>
                    );
                })}
            </div>
            {selected === 0 && rig.kitId !== null && <CameraMenu kit={rig.kitId} rig={rig} onCamera={onCamera} />}
            {part && (
                <div className="flex gap-2">
                    <Button aria-label={strings.bench.moveIn(part.name)} disabled={part.index === 0} onClick={() => onMove(part.index, -1)}>
                        ‹
                    </Button>
                    <Button
                        aria-label={strings.bench.moveOut(part.name)}
                        disabled={part.index === rig.chain.length - 1}
                        onClick={() => onMove(part.index, 1)}
                    >
                        ›
                    </Button>
                    <Button onClick={() => onSwap(part.index)}>{strings.bench.swap}</Button>
                    {part.makeshift !== null && (
                        <Button aria-pressed={part.makeshift} onClick={() => onMakeshift(part.index, !part.makeshift)}>
                            {makeshifts[part.kind] ?? strings.bench.wedged}
                        </Button>
                    )}
                    {part.turns && (
                        <Button onClick={() => onTurn(part.index)}>
                            {strings.bench.turn}
                            {part.turnedMagnification !== null && (
                                <span className="figures ml-1.5 text-xs text-soft">{magnification(part.turnedMagnification)}</span>
                            )}
                        </Button>
                    )}
                    <Button onClick={() => onTakeOff(part.index)}>{strings.bench.takeOff}</Button>
                </div>
            )}
        </div>
    );
}

const makeshifts: Partial<Record<string, string>> = { bellows: strings.bench.plateTurned, 'close-up-lens': strings.bench.taped };

/** The other cameras of the kit; what doesn't fit the new one says so once it is there. */
function CameraMenu({ kit, rig, onCamera }: { kit: number; rig: RigView; onCamera: (part: number) => void }) {
    const { data } = useQuery({ queryKey: keys.kit(kit), queryFn: () => api.kit(kit) });
    const others = data?.parts.filter(({ part }) => part.kind === 'camera' && part.id !== rig.camera.partId) ?? [];
    return (
        <Menu label={strings.bench.changeCamera} align="end">
            {others.length === 0 && <p className="px-3 py-1.5 text-sm text-soft">{strings.bench.noOtherCamera}</p>}
            {others.map(({ part }) => (
                <MenuItem key={part.id} note={part.measure} onSelect={() => onCamera(part.id)}>
                    {part.name}
                </MenuItem>
            ))}
        </Menu>
    );
}

const misfit = (fit: string) => !['mates', 'improvised', 'unknown'].includes(fit);

interface ItemProps {
    id: number;
    selected: number;
    onSelect: (item: number) => void;
    text: string;
}

function Item({ id, selected, onSelect, text, spoken, index }: ItemProps & { spoken: string; index?: number }) {
    const chosen = id === selected;
    const { setNodeRef, listeners, isDragging } = useDraggable({ id: `chain-${id}`, data: { index }, disabled: index === undefined });
    return (
        <div
            ref={setNodeRef}
            {...listeners}
            id={`item-${id}`}
            role="option"
            aria-selected={chosen}
            aria-label={spoken}
            onClick={() => onSelect(id)}
            className={`cursor-pointer touch-manipulation px-1.5 py-1 text-sm whitespace-nowrap ${isDragging ? 'opacity-40' : ''} ${chosen ? 'bg-plate font-semibold shadow-[inset_0_-2px_0_var(--brass)]' : ''}`}
        >
            {text}
        </div>
    );
}

function Joint({ id, selected, onSelect, text, wrong }: ItemProps & { wrong: boolean }) {
    const { setNodeRef, isOver } = useDroppable({ id: `joint-${id}`, data: { joint: (id - 1) / 2 } });
    const chosen = id === selected || isOver;
    return (
        <div
            ref={setNodeRef}
            id={`item-${id}`}
            role="option"
            aria-selected={id === selected}
            aria-label={strings.bench.joint(text) + (wrong ? `, ${strings.bench.misfit}` : '')}
            onClick={() => onSelect(id)}
            className="grid min-w-6 cursor-pointer place-items-center px-1 py-1.5"
        >
            <svg width={chosen ? 16 : 12} height={16} viewBox="-8 -8 16 16" aria-hidden="true">
                <circle
                    r={chosen ? 5.5 : 4}
                    fill="var(--plate)"
                    stroke={wrong ? 'var(--madder)' : chosen ? 'var(--brass)' : 'var(--ink)'}
                    strokeWidth={chosen ? 3 : 1.6}
                />
                {wrong && <path d="M-6 -6L6 6M-6 6L6 -6" stroke="var(--madder)" strokeWidth={2} />}
            </svg>
        </div>
    );
}
