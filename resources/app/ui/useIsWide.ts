import { useSyncExternalStore } from 'react';

const wide = typeof matchMedia === 'undefined' ? null : matchMedia('(min-width: 1024px)');

const watch = (told: () => void) => {
    wide?.addEventListener('change', told);
    return () => wide?.removeEventListener('change', told);
};

/** Whether the window has room for two columns: the same width from which the stylesheet says so. */
export const useIsWide = () => useSyncExternalStore(watch, () => wide?.matches ?? true);
