import { Redo2, Undo2 } from 'lucide-react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { api, type Schema } from '../api/client';
import { forgetOutings } from '../offline/outings';
import { forgetPractice } from '../offline/practice';
import { strings } from '../strings/index';
import { Button } from '../ui/Button';
import { later } from '../ui/later';
import { Menu, MenuChoice, MenuItem, MenuLine } from '../ui/Menu';
import { Mark } from './Mark';
import { PlaceKeys } from './PlaceKeys';
import { usePreferences } from './preferences';

const AccountDialog = later(async () => (await import('./Account')).AccountDialog);

/** The bar over every place: mark, places, what the place adds, units, light, account. */
export function Bar({ person, children }: { person: Schema['Person']; children: ReactNode }) {
    const { units, setUnits, light, setLight } = usePreferences();
    const queries = useQueryClient();
    // Who comes from the first visit by “Keep it” finds the form open.
    const came: unknown = useLocation().state;
    const [keysOpen, setKeysOpen] = useState(false);
    const [account, setAccount] = useState(
        person.guest && typeof came === 'object' && came !== null && 'keep' in came && came.keep === true,
    );
    const ownGuest = person.guest && person.own;
    const leave = useMutation({
        mutationFn: async () => {
            await api.signOut();
            await forgetOutings();
            await forgetPractice();
        },
        onSuccess: () => {
            queries.clear();
            location.assign('/');
        },
    });
    return (
        <header className="flex min-h-11 items-center gap-2 border-b border-line bg-plate px-4 text-sm max-lg:flex-wrap max-lg:gap-y-0">
            <a href="#main" className="sr-only focus:not-sr-only">
                {strings.shell.skip}
            </a>
            <Mark />
            <span className="mr-6 ml-1 text-base font-semibold whitespace-nowrap max-md:sr-only">{strings.product}</span>
            <nav aria-label="Places" className="flex h-11 max-sm:h-11">
                {(['bench', 'kit', 'find', 'compare', 'outings', 'practice'] as const).map((place) => (
                    <NavLink
                        key={place}
                        to={`/${place}`}
                        className="relative flex h-full items-center px-2 text-soft hover:text-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:shadow-[inset_0_-3px_0_var(--ink)]"
                    >
                        {strings.places[place]}
                    </NavLink>
                ))}
            </nav>
            <div className="ml-auto flex items-center max-lg:h-11">
                {children}
                <button
                    type="button"
                    className="figures px-2 py-1 text-xs text-soft hover:text-ink"
                    aria-label={`${strings.shell.units}: ${units}`}
                    onClick={() => setUnits(units === 'mm' ? 'in' : 'mm')}
                >
                    {units}
                </button>
                <Menu align="end" label={strings.shell.light}>
                    <MenuChoice
                        value={light}
                        onChange={setLight}
                        choices={(['system', 'light', 'dark', 'outdoors'] as const).map(
                            (name) => [name, strings.shell.lights[name]] as const,
                        )}
                    />
                </Menu>
                {ownGuest && (
                    <Button strong className="mx-1 py-1!" onClick={() => setAccount(true)}>
                        {strings.shell.keep}
                    </Button>
                )}
                <Menu align="end" label={person.guest ? strings.shell.guest : person.name}>
                    <MenuItem onSelect={() => setAccount(true)} {...(person.guest ? { note: strings.shell.stayNote } : {})}>
                        {person.guest ? strings.shell.stay : strings.shell.account}
                    </MenuItem>
                    <MenuItem onSelect={() => setKeysOpen(true)}>{strings.placeKeys.open}</MenuItem>
                    <MenuLine />
                    {person.guest ? (
                        <MenuItem onSelect={() => leave.mutate()} note={ownGuest ? strings.shell.leaveOwnNote : strings.shell.leaveNote}>
                            {ownGuest ? strings.shell.leaveOwn : strings.shell.leave}
                        </MenuItem>
                    ) : (
                        <MenuItem onSelect={() => leave.mutate()}>{strings.shell.signOut}</MenuItem>
                    )}
                </Menu>
            </div>
            <PlaceKeys open={keysOpen} onOpenChange={setKeysOpen} />
            {account && <AccountDialog person={person} onClose={() => setAccount(false)} />}
        </header>
    );
}

interface HistoryProps {
    undo: string | null;
    redo: string | null;
    busy: boolean;
    onUndo: () => void;
    onRedo: () => void;
}

/** Undo and redo of a place; the buttons name what they undo. */
export function History({ undo, redo, busy, onUndo, onRedo }: HistoryProps) {
    const say = strings.shell;
    return (
        <>
            <Button bare disabled={undo === null || busy} onClick={onUndo} title={undo === null ? undefined : say.undoStep(undo)}>
                <Undo2 aria-hidden className="mr-1 inline size-3.5" />
                {say.undo}
                {undo !== null && <span className="ml-1 max-xl:hidden">{undo}</span>}
            </Button>
            <Button bare disabled={redo === null || busy} onClick={onRedo} title={redo === null ? undefined : say.redoStep(redo)}>
                <Redo2 aria-hidden className="mr-1 inline size-3.5" />
                {say.redo}
            </Button>
        </>
    );
}
