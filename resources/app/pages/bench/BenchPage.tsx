import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, messageOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { lacking, NextStep } from '../../kit/NextStep';
import { useKit } from '../../kit/useKit';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Lost } from '../../ui/Lost';
import { Bench } from './Bench';

/** Finds the rig to show: the one in the address, else the last one changed. */
export function BenchPage({ person }: { person: Schema['Person'] }) {
    const { rig } = useParams();
    const navigate = useNavigate();
    const { id, kit } = useKit();
    const rigs = useQuery({ queryKey: keys.rigs, queryFn: api.rigs });
    const shown = rig === undefined ? null : Number(rig);
    const first = rigs.data?.[0]?.id;
    const { refetch } = rigs;
    const again = useCallback(() => void refetch(), [refetch]);
    const [trouble, setTrouble] = useState<string | null>(null);

    useEffect(() => {
        if (shown === null && first !== undefined) void navigate(`/bench/${first}`, { replace: true });
    }, [shown, first, navigate]);

    if (shown !== null && Number.isInteger(shown)) return <Bench key={shown} id={shown} person={person} rigs={rigs.data ?? []} />;
    return (
        <>
            <Bar person={person}>{null}</Bar>
            <main id="main" className="p-6" aria-busy={rigs.isPending}>
                {rigs.isError && <Lost error={rigs.error} onRetry={again} />}
                {rigs.data?.length === 0 && (kit !== undefined || id === undefined) && (
                    <EmptyPlace
                        page
                        title={strings.bench.emptyTitle}
                        text={strings.bench.emptyText}
                        example="rig"
                        caption={strings.next.rig}
                    >
                        {/* A camera is all that a rig begins with. */}
                        {lacking(kit) === 'camera' ? (
                            <NextStep kit={kit} />
                        ) : (
                            <Button
                                strong
                                onClick={() => {
                                    api.startRig({ kit: id })
                                        .then((made) => navigate(`/bench/${made.id}`))
                                        .catch((error: unknown) => setTrouble(messageOf(error)));
                                }}
                            >
                                {strings.bench.newRig}
                            </Button>
                        )}
                        <Link to="/first" className="text-sm text-beam underline underline-offset-2">
                            {strings.bench.threeQuestions}
                        </Link>
                        {trouble !== null && (
                            <p role="alert" className="border-l-[3px] border-ink pl-3">
                                {trouble}
                            </p>
                        )}
                    </EmptyPlace>
                )}
            </main>
        </>
    );
}
