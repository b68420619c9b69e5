import { useDeferredValue, useEffect, useMemo, useState, type RefObject } from 'react';
import { useInSight } from './useInSight';
import { useIsWide } from './useIsWide';

/** Out of sight, what is shown is told again when the hand has rested for so long. */
const REST_MS = 150;

/**
 * What is shown under the hand, for what lies below the drawing on a narrow screen: it follows when what is over it has been drawn, and where none
 * of it is in sight, when the hand rests. What was shown of something else before is nothing now, and what is let go (null) is let go at once.
 */
export function useFollowed<T>(here: RefObject<Element | null>, shown: T, of: unknown): T {
    const isWide = useIsWide();
    const inSight = useInSight(here);
    const now = useMemo(() => ({ shown, of }), [shown, of]);
    const [rested, setRested] = useState(now);
    useEffect(() => {
        if (inSight || isWide) return;
        const timer = setTimeout(() => setRested(now), REST_MS);
        return () => clearTimeout(timer);
    }, [inSight, isWide, now]);
    // Side by side nothing waits, and nothing is drawn a second time.
    const told = useDeferredValue(!isWide && (inSight || rested.of !== of) ? now : rested);
    return isWide || shown === null || told.of !== of ? shown : told.shown;
}
