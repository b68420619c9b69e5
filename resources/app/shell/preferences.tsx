import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Units } from '../ui/figures';

export type Light = 'system' | 'light' | 'dark' | 'outdoors';

interface Preferences {
    units: Units;
    setUnits: (units: Units) => void;
    light: Light;
    setLight: (light: Light) => void;
    /** Whether single letters, digits and signs act as keys. */
    letterKeys: boolean;
    setLetterKeys: (on: boolean) => void;
    /** The kit that is looked at; null = the first. */
    kit: number | null;
    setKit: (kit: number) => void;
}

const Context = createContext<Preferences | null>(null);

function kept<T extends string>(name: string, allowed: readonly T[], usual: T): T {
    const value = localStorage.getItem(name);
    return allowed.find((item) => item === value) ?? usual;
}

/** Units, light and the kit that is looked at, kept on this device. */
export function PreferencesProvider({ children }: { children: ReactNode }) {
    const [units, setUnits] = useState<Units>(() => kept('units', ['mm', 'in'], 'mm'));
    const [light, setLight] = useState<Light>(() => kept('light', ['system', 'light', 'dark', 'outdoors'], 'system'));

    const [kit, setKit] = useState<number | null>(() => Number(localStorage.getItem('kit')) || null);

    const [letterKeys, setLetterKeys] = useState(() => kept('letter keys', ['on', 'off'], 'on') === 'on');
    useEffect(() => localStorage.setItem('letter keys', letterKeys ? 'on' : 'off'), [letterKeys]);
    useEffect(() => localStorage.setItem('units', units), [units]);
    useEffect(() => (kit === null ? undefined : localStorage.setItem('kit', String(kit))), [kit]);
    useEffect(() => {
        localStorage.setItem('light', light);
        const system = matchMedia('(prefers-color-scheme: dark)');
        const show = () => {
            const dark = light === 'dark' || (light === 'system' && system.matches);
            document.documentElement.dataset.light = dark ? 'dark' : 'light';
            document.documentElement.dataset.outdoors = light === 'outdoors' ? 'on' : 'off';
        };
        show();
        system.addEventListener('change', show);
        return () => system.removeEventListener('change', show);
    }, [light]);

    const value = useMemo(
        () => ({ units, setUnits, light, setLight, kit, setKit, letterKeys, setLetterKeys }),
        [units, light, kit, letterKeys],
    );
    return <Context value={value}>{children}</Context>;
}

export function usePreferences(): Preferences {
    const preferences = useContext(Context);
    if (!preferences) throw new Error('Preferences are used outside their provider');
    return preferences;
}
