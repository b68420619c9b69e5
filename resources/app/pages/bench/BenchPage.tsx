import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, messageOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { useKits } from '../../kit/useKit';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Lost } from '../../ui/Lost';
import { Bench } from './Bench';

/** Finds the rig to show: the one in the address, else the last one changed. */
export function BenchPage({ person }: { person: Schema['Person'] }) {
    const { rig } = useParams();
    const navigate = useNavigate();
    const { id: kit } = useKits();
    const rigs = useQuery({ queryKey: keys.rigs, queryFn: api.rigs });
    const id = rig === undefined ? null : Number(rig);
    const first = rigs.data?.[0]?.id;
    const { refetch } = rigs;
    const again = useCallback(() => void refetch(), [refetch]);
    const [trouble, setTrouble] = useState<string | null>(null);

    useEffect(() => {
        if (id === null && first !== undefined) void navigate(`/bench/${first}`, { replace: true });
    }, [id, first, navigate]);

    if (id !== null && Number.isInteger(id)) return <Bench key={id} id={id} person={person} rigs={rigs.data ?? []} />;
    return (
        <>
            <Bar person={person}>{null}</Bar>
            <main id="main" className="p-6" aria-busy={rigs.isPending}>
                {rigs.isError && <Lost error={rigs.error} onRetry={again} />}
                {rigs.data?.length === 0 && (
                    <div className="max-w-[520px] py-6">
                        <h1 className="text-lg font-semibold">{strings.bench.emptyTitle}</h1>
                        <p className="py-3 text-base text-soft">{strings.bench.emptyText}</p>
                        <Button
                            strong
                            onClick={() => {
                                api.startRig({ kit })
                                    .then((made) => navigate(`/bench/${made.id}`))
                                    .catch((error: unknown) => setTrouble(messageOf(error)));
                            }}
                        >
                            {strings.bench.newRig}
                        </Button>
                        {trouble !== null && (
                            <p role="alert" className="mt-4 border-l-[3px] border-ink pl-3">
                                {trouble}{' '}
                                <Link to="/kit?add=1" className="text-beam underline underline-offset-2">
                                    {strings.kit.addPart}
                                </Link>
                            </p>
                        )}
                    </div>
                )}
            </main>
        </>
    );
}
