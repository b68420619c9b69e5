import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { api, Refused } from '../api/client';
import { BenchPlace } from '../places/bench/BenchPlace';
import { ResetPassword } from './Account';
import { Confirm } from './Confirm';
import { Welcome } from './Welcome';

// Places other than the first one come when they are gone to.
const KitPlace = lazy(() => import('../places/kit/KitPlace'));
const FindPlace = lazy(() => import('../places/find/FindPlace'));
const CardsPlace = lazy(() => import('../places/find/CardsPlace'));
const SharedPlace = lazy(() => import('../places/shared/SharedPlace'));

/** What anybody may see, and the rest for whoever is here. */
export function Application() {
    return (
        <Suspense fallback={<main className="min-h-dvh" aria-busy="true" />}>
            <Routes>
                <Route path="/shared/:token" element={<SharedPlace />} />
                <Route path="/confirm" element={<Confirm />} />
                <Route path="/reset" element={<ResetPassword />} />
                <Route path="*" element={<Inside />} />
            </Routes>
        </Suspense>
    );
}

/** Who is here decides what is shown: the way in, or the places. */
function Inside() {
    const me = useQuery({ queryKey: ['me'], queryFn: api.me, retry: false });
    if (me.isPending) return <main className="min-h-dvh" aria-busy="true" />;
    if (me.isError) return <Welcome trouble={me.error instanceof Refused && me.error.status === 401 ? null : me.error.message} />;
    return (
        <Routes>
            <Route path="/bench/:rig?" element={<BenchPlace person={me.data} />} />
            <Route path="/kit" element={<KitPlace person={me.data} />} />
            <Route path="/find" element={<FindPlace person={me.data} />} />
            <Route path="/find/cards" element={<CardsPlace person={me.data} />} />
            <Route path="*" element={<Navigate to="/bench" replace />} />
        </Routes>
    );
}
