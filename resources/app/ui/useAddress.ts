import { useCallback, useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

type Changes = Readonly<Record<string, string | null>>;

/**
 * What stands in the address, changed field by field; null and '' take a field away. A change that follows another before the page
 * is drawn again builds on it: quick hands lose nothing.
 */
export function useAddress(): { params: URLSearchParams; change: (of: Changes | ((now: URLSearchParams) => Changes)) => void } {
    const [params, setParams] = useSearchParams();
    const latest = useRef(params);
    const write = useRef(setParams);
    useEffect(() => {
        latest.current = params;
        write.current = setParams;
    }, [params, setParams]);
    const change = useCallback((of: Changes | ((now: URLSearchParams) => Changes)) => {
        const next = new URLSearchParams(latest.current);
        for (const [name, value] of Object.entries(typeof of === 'function' ? of(latest.current) : of)) {
            if (value === null || value === '') next.delete(name);
            else next.set(name, value);
        }
        latest.current = next;
        write.current(next, { replace: true });
    }, []);
    return { params, change };
}
