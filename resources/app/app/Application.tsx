import { useQuery } from '@tanstack/react-query';
import { useEffect, type ComponentType, type ReactNode } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { api, Refused } from '../api/client';
import { keys } from '../api/queries';
import { BenchPage } from '../pages/bench/BenchPage';
import { fetchAhead, later } from '../ui/later';

/** A place that comes when it is gone to. */
const place = <P extends object>(load: () => Promise<ComponentType<P>>) =>
    later(load, (words: ReactNode) => (
        <main className="min-h-dvh" aria-busy={words === null}>
            {words}
        </main>
    ));

const FirstVisit = place(async () => (await import('../pages/first/FirstVisit')).FirstVisit);
const ResetPassword = place(async () => (await import('../shell/Account')).ResetPassword);
const Confirm = place(async () => (await import('../shell/Confirm')).Confirm);
const KitPage = place(async () => (await import('../pages/kit/KitPage')).default);
const FindPage = place(async () => (await import('../pages/find/FindPage')).default);
const CardsPage = place(async () => (await import('../pages/cards/CardsPage')).default);
const ComparePage = place(async () => (await import('../pages/compare/ComparePage')).default);
const SheetPage = place(async () => (await import('../pages/sheet/SheetPage')).default);
const OutingsPage = place(async () => (await import('../pages/outings/OutingsPage')).default);
const OutingPage = place(async () => (await import('../pages/outings/OutingPage')).default);
const OutingSheets = place(async () => (await import('../pages/outings/OutingSheets')).default);
const AfterPage = place(async () => (await import('../pages/outings/AfterPage')).default);
const LogPage = place(async () => (await import('../pages/outings/log/LogPage')).default);
const LedgerPage = place(async () => (await import('../pages/outings/log/LedgerPage')).default);
const OutsidePage = place(async () => (await import('../pages/outings/OutsidePage')).default);
const PracticePage = place(async () => (await import('../pages/practice/PracticePage')).default);
const EveningPage = place(async () => (await import('../pages/practice/EveningPage')).default);
const SharedPage = place(async () => (await import('../pages/shared/SharedPage')).default);

/** Where one goes from the bench, in the order of the day: they come by themselves once it has its figures, so that going there shows no empty page. */
const next = [KitPage, FindPage, OutingsPage, ComparePage, CardsPage, OutingPage, AfterPage, LogPage, SheetPage, OutingSheets, LedgerPage];

/** The place that is opened goes first, ms. */
const aheadAfter = 2000;

/** What anybody may see, and the rest for whoever is here. */
export function Application() {
    return (
        <Routes>
            <Route path="/shared/:token" element={<SharedPage />} />
            <Route path="/practice" element={<PracticePage />} />
            <Route path="/evening/:token" element={<EveningPage />} />
            <Route path="/outings/:outing/outside" element={<OutsidePage />} />
            <Route path="/confirm" element={<Confirm />} />
            <Route path="/reset" element={<ResetPassword />} />
            <Route path="*" element={<Inside />} />
        </Routes>
    );
}

/** Who is here decides what is shown: the way in, or the places. */
function Inside() {
    const me = useQuery({ queryKey: keys.me, queryFn: api.me, retry: false });
    const isHere = me.isSuccess;
    useEffect(() => {
        if (!isHere) return;
        let stop: (() => void) | null = null;
        const soon = setTimeout(() => (stop = fetchAhead(next)), aheadAfter);
        return () => {
            clearTimeout(soon);
            stop?.();
        };
    }, [isHere]);
    if (me.isPending) return <main className="min-h-dvh" aria-busy="true" />;
    if (me.isError) return <FirstVisit trouble={me.error instanceof Refused && me.error.status === 401 ? null : me.error.message} />;
    return (
        <Routes>
            <Route path="/bench/:rig?" element={<BenchPage person={me.data} />} />
            <Route path="/first" element={<FirstVisit person={me.data} />} />
            <Route path="/kit" element={<KitPage person={me.data} />} />
            <Route path="/find" element={<FindPage person={me.data} />} />
            <Route path="/find/cards" element={<CardsPage person={me.data} />} />
            <Route path="/compare" element={<ComparePage person={me.data} />} />
            <Route path="/outings" element={<OutingsPage person={me.data} />} />
            <Route path="/outings/log" element={<LogPage person={me.data} />} />
            <Route path="/outings/ledger" element={<LedgerPage person={me.data} />} />
            <Route path="/outings/:outing/after" element={<AfterPage person={me.data} />} />
            <Route path="/outings/:outing" element={<OutingPage person={me.data} />} />
            <Route path="/outings/:outing/sheets" element={<OutingSheets person={me.data} />} />
            <Route path="/sheet/:rig" element={<SheetPage person={me.data} />} />
            <Route path="*" element={<Navigate to="/bench" replace />} />
        </Routes>
    );
}
