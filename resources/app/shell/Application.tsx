import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes } from 'react-router';
import { api, Refused } from '../api/client';
import { BenchPlace } from '../places/bench/BenchPlace';
import { Welcome } from './Welcome';

/** Who is here decides what is shown: the way in, or the places. */
export function Application() {
    const me = useQuery({ queryKey: ['me'], queryFn: api.me, retry: false });
    if (me.isPending) return <main className="min-h-dvh" aria-busy="true" />;
    if (me.isError) return <Welcome trouble={me.error instanceof Refused && me.error.status === 401 ? null : me.error.message} />;
    return (
        <Routes>
            <Route path="/bench/:rig?" element={<BenchPlace person={me.data} />} />
            <Route path="*" element={<Navigate to="/bench" replace />} />
        </Routes>
    );
}
