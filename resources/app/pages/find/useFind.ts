import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { api, type KitView, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { useSettled } from '../../ui/useSettled';
import { asked, isComplete, type Wish } from './wish';

/** Keys that come as fast as this are one, ms: a number that is pasted, or typed by a practised hand. */
const burst = 25;

/** How long a pause in the typing is, ms. */
const pause = 120;

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
    /** What just misses it. */
    missed: readonly Schema['FoundRig'][];
    wanted: Wish;
}

/** Asks a wish of a kit as it is typed: a first answer, and the whole one after it. */
export function useFind(kit: KitView | undefined, wish: Wish): Finding {
    const key = JSON.stringify(asked(wish));
    const quick = useSettled(wish, key, burst);
    const wanted = useSettled(wish, key, pause);
    const of = [kit?.id ?? 0, kit?.revision ?? 0] as const;
    const typed = JSON.stringify(asked(quick));
    const settled = JSON.stringify(asked(wanted));
    const enabled = kit !== undefined && isComplete(wish);
    // The first answer is cheap: it is asked for at every key, the whole one when the hands rest.
    const first = useQuery({
        queryKey: keys.find('first', kit, typed),
        queryFn: () => api.findFirst(of[0], asked(quick)),
        enabled: enabled && isComplete(quick),
        retry: false,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
    const whole = useInfiniteQuery({
        queryKey: keys.find('whole', kit, settled),
        queryFn: ({ pageParam }) => api.find(of[0], { ...asked(wanted), page: pageParam }),
        initialPageParam: 1,
        getNextPageParam: (last, pages) =>
            pages.reduce((sum, page) => sum + page.rows.length, 0) < last.count ? pages.length + 1 : undefined,
        // It takes a core for half a second, which the first answer is not to share.
        enabled: enabled && key === settled && key === typed && first.isFetched && !first.isPlaceholderData,
        retry: false,
        staleTime: Infinity,
    });
    const answer = key === settled ? (whole.data?.pages[0] ?? null) : null;
    const none = answer?.fulfil === 0 && answer.mayFulfil === 0;
    const near = useQuery({
        queryKey: keys.find('near', kit, settled),
        queryFn: () => api.findNear(of[0], asked(wanted)),
        enabled: enabled && none,
        retry: false,
        staleTime: Infinity,
    });
    const missed = useQuery({
        queryKey: keys.find('missed', kit, settled),
        queryFn: () => api.findMissed(of[0], asked(wanted)),
        enabled: enabled && answer !== null && !none,
        retry: false,
        staleTime: Infinity,
    });
    const pages = answer === null ? undefined : whole.data?.pages;
    const rows = useMemo(() => pages?.flatMap((page) => page.rows) ?? first.data?.rows ?? [], [pages, first.data]);
    if (!enabled)
        return { found: null, rows: [], looking: false, stale: false, error: null, more: null, near: null, missed: [], wanted: wish };
    return {
        found: answer ?? first.data ?? null,
        rows,
        looking: answer === null,
        stale: answer === null && (key !== typed || first.isPlaceholderData),
        error: first.error ?? whole.error,
        more: whole.hasNextPage && !whole.isFetchingNextPage ? () => void whole.fetchNextPage() : null,
        near: none ? (near.data ?? null) : null,
        missed: answer !== null && !none ? (missed.data ?? []) : [],
        wanted: wish,
    };
}
