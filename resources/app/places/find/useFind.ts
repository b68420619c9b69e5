import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { api, type KitView, type Schema } from '../../api/client';
import { asked, isComplete, type Wish } from './wish';

/** How long a pause in the typing is, ms. */
const pause = 50;

/** A value once it has stayed the same for a pause. */
function useSettled<T>(value: T, key: string): T {
    const [settled, setSettled] = useState({ value, key });
    useEffect(() => {
        if (settled.key === key) return;
        const timer = setTimeout(() => setSettled({ value, key }), pause);
        return () => clearTimeout(timer);
    }, [value, key, settled.key]);
    return settled.value;
}

export interface Finding {
    /** The whole answer where it is here, else the first one; null = nothing is asked. */
    found: Schema['FoundView'] | null;
    rows: readonly Schema['FoundRig'][];
    /** What is shown belongs to an older wish, or is not all yet. */
    looking: boolean;
    /** The rows are those of an older wish. */
    stale: boolean;
    error: Error | null;
    more: (() => void) | null;
    near: Schema['NearView'] | null;
    wanted: Wish;
}

/** Asks a wish of a kit as it is typed: a first answer, and the whole one after it. */
export function useFind(kit: KitView | undefined, wish: Wish): Finding {
    const key = JSON.stringify(asked(wish));
    const wanted = useSettled(wish, key);
    const query = asked(wanted);
    const of = [kit?.id ?? 0, kit?.revision ?? 0, JSON.stringify(query)] as const;
    const enabled = kit !== undefined && isComplete(wanted);
    const first = useQuery({
        queryKey: ['find', 'first', ...of],
        queryFn: () => api.findFirst(of[0], query),
        enabled,
        retry: false,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
    const whole = useInfiniteQuery({
        queryKey: ['find', 'whole', ...of],
        queryFn: ({ pageParam }) => api.find(of[0], { ...query, page: pageParam }),
        initialPageParam: 1,
        getNextPageParam: (last, pages) =>
            pages.reduce((sum, page) => sum + page.rows.length, 0) < last.count ? pages.length + 1 : undefined,
        // The whole answer takes a core for half a second: the first one is not to share it.
        enabled: enabled && first.isFetched && !first.isPlaceholderData,
        retry: false,
        staleTime: Infinity,
    });
    const answer = whole.data?.pages[0] ?? null;
    const rows = useMemo(() => whole.data?.pages.flatMap((page) => page.rows) ?? first.data?.rows ?? [], [whole.data, first.data]);
    const none = answer?.fulfil === 0 && answer.mayFulfil === 0;
    const near = useQuery({
        queryKey: ['find', 'near', ...of],
        queryFn: () => api.findNear(of[0], query),
        enabled: enabled && none,
        retry: false,
        staleTime: Infinity,
    });
    if (!enabled) return { found: null, rows: [], looking: false, stale: false, error: null, more: null, near: null, wanted };
    return {
        found: answer ?? first.data ?? null,
        rows,
        looking: key !== of[2] || whole.isPending,
        stale: key !== of[2] || (answer === null && first.isPlaceholderData),
        error: whole.error,
        more: whole.hasNextPage && !whole.isFetchingNextPage ? () => void whole.fetchNextPage() : null,
        near: none ? (near.data ?? null) : null,
        wanted,
    };
}
