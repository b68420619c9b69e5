import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { strings } from '../strings/index';
import { KeysDialog } from '../ui/KeysDialog';
import { Tick } from '../ui/Tick';
import { usePreferences } from './preferences';

const say = strings.placeKeys;

/** Whether somebody types, or is in something that has keys of its own. */
export const hasOwnKeys = (target: EventTarget | null) =>
    target instanceof HTMLElement && target.closest('input, select, textarea, [role=dialog], [role=menu]') !== null;

/** `?` lists the keys of the place one is in; there, keys that are letters can be switched off. */
export function PlaceKeys({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    const { letterKeys, setLetterKeys } = usePreferences();
    const { pathname } = useLocation();
    const place = say.places.find(([path]) => pathname.startsWith(path)) ?? say.places[0];
    const [, text, keys] = place;
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (event.key !== '?' || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || hasOwnKeys(event.target))
                return;
            event.preventDefault();
            onOpenChange(true);
        };
        if (letterKeys) document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, [letterKeys, onOpenChange]);
    return (
        <KeysDialog open={open} onOpenChange={onOpenChange} text={text} keys={keys}>
            <Tick className="mt-4 border-t border-line pt-3 text-sm" checked={letterKeys} onChange={setLetterKeys}>
                {say.letters}
            </Tick>
        </KeysDialog>
    );
}
