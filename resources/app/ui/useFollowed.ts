import { useDeferredValue, useEffect, useMemo, useState, type RefObject } from 'react';
import { useInSight } from './useInSight';
import { useIsWide } from './useIsWide';

/** Out of sight, what is held is told again when the hand has rested for so long. */
const REST_MS = 150;

/**
 * What is held, for what lies below the drawing on a narrow screen: it follows when what is over it has been drawn, and where none of it is in
 * sight, when the hand rests. What the hand held of something else before is nothing now.
 */
export function useFollowed<T>(here: RefObject<Element | null>, held: T | null, of: unknown): T | null {
    const isWide = useIsWide();
    const inSight = useInSight(here);
    const now = useMemo(() => ({ held, of }), [held, of]);
    const [rested, setRested] = useState(now);
    useEffect(() => {
        if (inSight) return;
        const timer = setTimeout(() => setRested(now), REST_MS);
        return () => clearTimeout(timer);
    }, [inSight, now]);
    const told = useDeferredValue(inSight || rested.of !== of ? now : rested);
    return isWide || held === null || told.of !== of ? held : told.held;
}
