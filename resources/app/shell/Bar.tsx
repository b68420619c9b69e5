import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { api, type Schema } from '../api/client';
import { strings } from '../strings';
import { Menu, MenuChoice, MenuItem } from '../ui/Menu';
import { Mark } from './Mark';
import { usePreferences } from './preferences';

/** The bar over every place: mark, places, what the place adds, units, light, account. */
export function Bar({ person, children }: { person: Schema['Person']; children: ReactNode }) {
    const { units, setUnits, light, setLight } = usePreferences();
    const queries = useQueryClient();
    const leave = useMutation({
        mutationFn: api.signOut,
        onSuccess: () => {
            queries.clear();
            location.assign('/');
        },
    });
    return (
        <header className="flex h-11 items-center gap-2 border-b border-line bg-plate px-4 text-sm">
            <a href="#bench" className="sr-only focus:not-sr-only">
                {strings.shell.skip}
            </a>
            <Mark />
            <span className="mr-6 ml-1 text-base font-semibold whitespace-nowrap max-sm:sr-only">{strings.product}</span>
            <nav aria-label="Places" className="flex h-full">
                <NavLink
                    to="/bench"
                    className="relative flex h-full items-center px-2 font-semibold aria-[current=page]:shadow-[inset_0_-3px_0_var(--ink)]"
                >
                    {strings.places.bench}
                </NavLink>
            </nav>
            <div className="ml-auto flex items-center">
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
                <Menu align="end" label={person.guest ? strings.shell.guest : person.name}>
                    <MenuItem onSelect={() => leave.mutate()} note={strings.shell.leaveNote}>
                        {strings.shell.leave}
                    </MenuItem>
                </Menu>
            </div>
        </header>
    );
}
