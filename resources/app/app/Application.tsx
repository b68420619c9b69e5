import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { api, Refused } from '../api/client';
import { keys } from '../api/queries';
import { BenchPage } from '../pages/bench/BenchPage';

// Places other than the first one come when they are gone to.
const FirstVisit = lazy(async () => ({ default: (await import('../pages/first/FirstVisit')).FirstVisit }));
const ResetPassword = lazy(async () => ({ default: (await import('../shell/Account')).ResetPassword }));
const Confirm = lazy(async () => ({ default: (await import('../shell/Confirm')).Confirm }));
const KitPage = lazy(() => import('../pages/kit/KitPage'));
const FindPage = lazy(() => import('../pages/find/FindPage'));
const CardsPage = lazy(() => import('../pages/cards/CardsPage'));
const ComparePage = lazy(() => import('../pages/compare/ComparePage'));
const SheetPage = lazy(() => import('../pages/sheet/SheetPage'));
const OutingsPage = lazy(() => import('../pages/outings/OutingsPage'));
const OutingPage = lazy(() => import('../pages/outings/OutingPage'));
const OutingSheets = lazy(() => import('../pages/outings/OutingSheets'));
const AfterPage = lazy(() => import('../pages/outings/AfterPage'));
const LogPage = lazy(() => import('../pages/outings/log/LogPage'));
const LedgerPage = lazy(() => import('../pages/outings/log/LedgerPage'));
const OutsidePage = lazy(() => import('../pages/outings/OutsidePage'));
const PracticePage = lazy(() => import('../pages/practice/PracticePage'));
const EveningPage = lazy(() => import('../pages/practice/EveningPage'));
const SharedPage = lazy(() => import('../pages/shared/SharedPage'));

/** What anybody may see, and the rest for whoever is here. */
export function Application() {
    return (
        <Suspense fallback={<main className="min-h-dvh" aria-busy="true" />}>
            <Routes>
                <Route path="/shared/:token" element={<SharedPage />} />
                <Route path="/practice" element={<PracticePage />} />
                <Route path="/evening/:token" element={<EveningPage />} />
                <Route path="/outings/:outing/outside" element={<OutsidePage />} />
                <Route path="/confirm" element={<Confirm />} />
                <Route path="/reset" element={<ResetPassword />} />
                <Route path="*" element={<Inside />} />
            </Routes>
        </Suspense>
    );
}

/** Who is here decides what is shown: the way in, or the places. */
function Inside() {
    const me = useQuery({ queryKey: keys.me, queryFn: api.me, retry: false });
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
