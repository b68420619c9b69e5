import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, type Schema } from '../../api/client';
import { Bar } from '../../shell/Bar';
import { strings } from '../../strings';
import { Button } from '../../ui/Button';
import { Bench } from './Bench';

/** Finds the rig to show: the one in the address, else the last one changed. */
export function BenchPlace({ person }: { person: Schema['Person'] }) {
    const { rig } = useParams();
    const navigate = useNavigate();
    const rigs = useQuery({ queryKey: ['rigs'], queryFn: api.rigs });
    const id = rig === undefined ? null : Number(rig);
    const first = rigs.data?.[0]?.id;

    useEffect(() => {
        if (id === null && first !== undefined) void navigate(`/bench/${first}`, { replace: true });
    }, [id, first, navigate]);

    if (id !== null && Number.isInteger(id)) return <Bench key={id} id={id} person={person} rigs={rigs.data ?? []} />;
    return (
        <>
            <Bar person={person}>{null}</Bar>
            <main id="bench" className="p-6" aria-busy={rigs.isPending}>
                {rigs.isError && <p role="alert">{rigs.error.message}</p>}
                {rigs.data?.length === 0 && (
                    <Button strong onClick={() => void api.startRig().then((made) => navigate(`/bench/${made.id}`))}>
                        {strings.bench.newRig}
                    </Button>
                )}
            </main>
        </>
    );
}
