import { useQuery } from '@tanstack/react-query';
import { useState, type KeyboardEvent } from 'react';
import { api, Refused, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { mass } from '../../ui/figures';
import { Bar, History } from '../../shell/Bar';
import { strings } from '../../strings/index';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { useAddress } from '../../ui/useAddress';
import { Lost } from '../../ui/Lost';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';
import { Narrow } from '../../ui/Narrow';
import { AddPart } from './AddPart';
import { FilesDialog } from './FilesDialog';
import { DeletedDialog } from './DeletedDialog';
import { massOf, narrowed } from './groups';
import { JointMap } from './JointMap';
import { JointsDialog } from './JointsDialog';
import { PartPanel } from './PartPanel';
import { KitMenu } from './KitMenu';
import { PartTable } from './PartTable';
import { Shelf } from './Shelf';
import { useKit } from '../../kit/useKit';

const views = ['shelf', 'table', 'map'] as const;
type Dialog = 'files' | 'deleted' | 'joints' | null;

/** What do I own, and what joins what? */
export default function KitPage({ person }: { person: Schema['Person'] }) {
    const { kit, change, trouble, retry, undo, redo } = useKit();
    const joints = useQuery({ queryKey: keys.joints, queryFn: api.joints, staleTime: Infinity });
    const { params, change: go } = useAddress();
    const [search, setSearch] = useState('');
    const [dialog, setDialog] = useState<Dialog>(null);
    const view = views.find((each) => each === params.get('view')) ?? 'shelf';
    const chosen = params.get('part') === null ? null : Number(params.get('part'));
    const adding = params.get('add') !== null;
    const each = kit?.parts.find(({ part }) => part.id === chosen);
    const say = kitWords.kit;

    // Where one is in the kit is in the address: a reload, or a link, comes back to it.
    const choose = (part: number | null) => go({ part: part === null ? null : String(part), add: null });
    const add = () => go({ add: '1', part: null });

    const onKeyDown = (event: KeyboardEvent) => {
        const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
        if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
            event.preventDefault();
            if (event.shiftKey) redo();
            else undo();
        }
        if (event.key === 'Escape' && !typing && (each || adding)) choose(null);
    };
    const parts = kit ? narrowed(kit.parts, search) : [];
    const panel = each !== undefined || adding;
    return (
        <div className="flex min-h-dvh flex-col lg:h-dvh" onKeyDown={onKeyDown}>
            <Bar person={person}>
                <History
                    undo={kit?.history.undo ?? null}
                    redo={kit?.history.redo ?? null}
                    busy={change.isPending}
                    onUndo={undo}
                    onRedo={redo}
                />
            </Bar>
            <main id="main" className={`grid min-h-0 flex-1 ${panel ? 'lg:grid-cols-[1fr_412px]' : ''}`} aria-busy={!kit && !trouble}>
                <div className={`slim-scroll min-h-0 min-w-0 px-4 pb-6 lg:overflow-y-auto ${panel ? 'max-lg:hidden' : ''}`}>
                    <div className="sticky top-0 z-10 -mx-4 flex flex-wrap items-center gap-x-3 gap-y-2 bg-ground px-4 py-2.5">
                        <h1 className="-ml-2">{kit ? <KitMenu kit={kit} /> : '\u00a0'}</h1>
                        {kit && (
                            <span className="figures text-xs text-soft">
                                {say.count(kit.parts.reduce((sum, { part }) => sum + part.count, 0))} · {mass(massOf(kit.parts))}
                            </span>
                        )}
                        <div className="ml-auto flex flex-wrap items-center gap-x-3 gap-y-2">
                            {view !== 'map' && (
                                <Narrow
                                    className="w-36 py-0.5"
                                    value={search}
                                    onChange={setSearch}
                                    label={say.narrow}
                                    placeholder={strings.tray.narrow}
                                />
                            )}
                            <div role="group" aria-label={say.view} className="flex">
                                {views.map((name) => (
                                    <button
                                        key={name}
                                        type="button"
                                        aria-pressed={view === name}
                                        onClick={() => go({ view: name === 'shelf' ? null : name })}
                                        className="px-2 py-1 text-sm text-soft hover:text-ink aria-pressed:font-semibold aria-pressed:text-ink aria-pressed:shadow-[inset_0_-2px_0_var(--ink)]"
                                    >
                                        {say.views[name]}
                                    </button>
                                ))}
                            </div>
                            {kit && (
                                <Menu label={say.menu} align="end">
                                    <MenuItem onSelect={() => setDialog('files')}>{say.importFile}</MenuItem>
                                    <MenuItem onSelect={() => location.assign(api.kitAddress(kit.id, 'json'))}>{say.exportJson}</MenuItem>
                                    <MenuItem onSelect={() => location.assign(api.kitAddress(kit.id, 'csv'))}>{say.exportCsv}</MenuItem>
                                    <MenuLine />
                                    <MenuItem onSelect={() => setDialog('joints')}>{say.joints}</MenuItem>
                                    <MenuItem onSelect={() => setDialog('deleted')} disabled={kit.deleted === 0}>
                                        {say.deleted(kit.deleted)}
                                    </MenuItem>
                                </Menu>
                            )}
                            <Button strong onClick={add} disabled={!kit}>
                                {say.addPart}
                            </Button>
                        </div>
                    </div>
                    {trouble && <Lost error={trouble} onRetry={retry} />}
                    {change.error && !(change.error instanceof Refused && Object.keys(change.error.fields).length > 0) && (
                        <p role="alert" className="mb-2 border-l-[3px] border-ink pl-3 text-sm">
                            {change.error.message}
                        </p>
                    )}
                    {kit?.parts.length === 0 && <Empty onAdd={add} onBring={() => setDialog('files')} />}
                    {kit && kit.parts.length > 0 && view !== 'map' && parts.length === 0 && (
                        <p className="py-4 text-sm text-soft">{strings.tray.none}</p>
                    )}
                    {kit && view === 'shelf' && (
                        <Shelf parts={parts} all={kit.parts} currency={kit.currency} chosen={chosen} onChoose={choose} />
                    )}
                    {kit && kit.parts.length > 0 && view === 'table' && (
                        <PartTable
                            parts={parts}
                            currency={kit.currency}
                            chosen={chosen}
                            onChoose={(part) => part !== chosen && each !== undefined && choose(part)}
                            onChange={(part, fields) =>
                                change.mutateAsync(async (id) => {
                                    await api.changePart(id, part.part.id, part.version, fields);
                                    return undefined;
                                })
                            }
                        />
                    )}
                    {kit && view === 'map' && <JointMap kit={kit} joints={joints.data ?? []} onChoose={choose} />}
                </div>
                {panel && kit && (
                    <aside
                        className="slim-scroll border-line bg-plate px-5 pt-4 lg:overflow-y-auto lg:border-l"
                        aria-label={each?.part.name ?? say.addPart}
                    >
                        {/* On a small screen this is the whole page. */}
                        <h1 className="sr-only lg:hidden">{strings.places.kit}</h1>
                        {each ? (
                            <PartPanel
                                kit={kit}
                                each={each}
                                change={change}
                                onClose={() => choose(null)}
                                onChoose={choose}
                                setup={setupOf(params.get('measure'), each.part.id)}
                                onMeasured={() => go({ measure: null })}
                            />
                        ) : (
                            <AddPart kit={kit} change={change} onAdded={choose} onClose={() => choose(null)} />
                        )}
                    </aside>
                )}
            </main>
            <datalist id="joints">
                {joints.data?.map((joint) => (
                    <option key={joint.name} value={joint.spoken}>
                        {joint.use ?? ''}
                    </option>
                ))}
            </datalist>
            {kit && dialog === 'files' && <FilesDialog kit={kit} change={change} onClose={() => setDialog(null)} />}
            {kit && dialog === 'deleted' && <DeletedDialog kit={kit} change={change} onClose={() => setDialog(null)} />}
            {dialog === 'joints' && <JointsDialog joints={joints.data ?? []} onClose={() => setDialog(null)} />}
        </div>
    );
}

/** The rig that the address says a shot was taken with; null = none, or no sense. */
function setupOf(text: string | null, part: number): Schema['ShotSetup'] | null {
    try {
        const said = JSON.parse(text ?? 'null') as Partial<Schema['ShotSetup']> | null;
        return said !== null && said.part === part && typeof said.camera === 'number' && typeof said.spacersMm === 'number'
            ? {
                  part,
                  camera: said.camera,
                  spacersMm: said.spacersMm,
                  reversed: said.reversed === true,
                  focus: said.focus ?? 0,
                  zoomMm: said.zoomMm ?? null,
              }
            : null;
    } catch {
        return null;
    }
}

/** An empty shelf says how to begin. */
function Empty({ onAdd, onBring }: { onAdd: () => void; onBring: () => void }) {
    return (
        <EmptyPlace title={kitWords.kit.emptyTitle} text={kitWords.kit.emptyText} example="kit" caption={strings.next.kit}>
            <Button strong onClick={onAdd}>
                {kitWords.kit.addPart}
            </Button>
            <Button onClick={onBring}>{kitWords.kit.importFile}</Button>
        </EmptyPlace>
    );
}
