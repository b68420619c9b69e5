import { useEffect, useState } from 'react';

/** A value once it has stayed the same for a pause, ms; the first one counts at once. What has the same key is the same. */
export function useSettled<T>(value: T, key: string, pause: number): T {
    const [settled, setSettled] = useState({ value, key });
    useEffect(() => {
        if (settled.key === key) return;
        const timer = setTimeout(() => setSettled({ value, key }), pause);
        return () => clearTimeout(timer);
    }, [value, key, settled.key, pause]);
    return settled.value;
}
