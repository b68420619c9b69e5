import { useEffect, useState, type RefObject } from 'react';

/** Whether any of something is in the window; until that is known, it is taken to be. */
export function useInSight(of: RefObject<Element | null>): boolean {
    const [inSight, setInSight] = useState(true);
    useEffect(() => {
        const element = of.current;
        if (!element) return;
        const watch = new IntersectionObserver((entries) => setInSight(entries.at(-1)?.isIntersecting ?? true));
        watch.observe(element);
        return () => watch.disconnect();
    }, [of]);
    return inSight;
}
