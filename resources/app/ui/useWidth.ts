import { useLayoutEffect, useState, type RefObject } from 'react';

/** How wide something is, px, as it is and when that changes. */
export function useWidth(of: RefObject<Element | null>, first: number): number {
    const [width, setWidth] = useState(first);
    useLayoutEffect(() => {
        const element = of.current;
        if (!element) return;
        const watch = new ResizeObserver(([entry]) => {
            if (entry && entry.contentRect.width > 0) setWidth(entry.contentRect.width);
        });
        watch.observe(element);
        return () => watch.disconnect();
    }, [of]);
    return width;
}
