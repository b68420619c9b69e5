import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api } from '../../api/client';
import { keys, rigsChanged } from '../../api/queries';
import { useKits } from '../../kit/useKit';
import { magnification } from '../../ui/figures';
import { strings } from '../../strings/index';

/** The three commonest first rigs that the kit can make, to start from. */
export function FirstRigs() {
    const queries = useQueryClient();
    const navigate = useNavigate();
    const { id: kit } = useKits();
    const proposals = useQuery({ queryKey: keys.proposals(kit), queryFn: () => api.proposals(kit ?? 0), enabled: kit !== undefined });
    const start = useMutation({
        mutationFn: ({ camera, parts }: { camera: number; parts: number[] }) => api.startRig({ kit, camera, parts }),
        onSuccess: (rig) => {
            rigsChanged(queries);
            void navigate(`/bench/${rig.id}`);
        },
    });
    // Their room is kept while they are worked out: nothing slides away under a hand that reaches into the tray.
    const waiting = proposals.data === undefined && !proposals.isError;
    return (
        <section aria-label={strings.rigs.first} className="py-2">
            <h2 className="pb-1 text-sm font-semibold">{strings.rigs.first}</h2>
            <ul aria-busy={waiting} className="grid auto-rows-[minmax(92px,auto)] gap-2 sm:grid-cols-3">
                {waiting && [0, 1, 2].map((each) => <li key={each} aria-hidden className="plate" />)}
                {proposals.data?.length === 0 && (
                    <li className="col-span-full text-sm text-soft">
                        {strings.rigs.noFirst}{' '}
                        <Link to="/kit" className="text-beam underline underline-offset-2">
                            {strings.rigs.toKit}
                        </Link>
                    </li>
                )}
                {proposals.data?.map((each) => (
                    <li key={each.title}>
                        <button
                            type="button"
                            disabled={start.isPending}
                            onClick={() => start.mutate(each)}
                            className="plate flex h-full w-full flex-col border-b-2 border-verdigris px-3 py-2 text-left text-sm hover:border-brass"
                        >
                            <span className="flex justify-between gap-2">
                                <span className="font-semibold">{each.title}</span>
                                {each.greatestMagnification !== null && (
                                    <span className="figures">{magnification(each.greatestMagnification)}</span>
                                )}
                            </span>
                            <span className="block text-xs text-soft">{each.text}</span>
                            <span className="block pt-1 text-xs">{each.names.join(' + ')}</span>
                        </button>
                    </li>
                ))}
            </ul>
            {(start.error ?? proposals.error) && <p role="alert">{(start.error ?? proposals.error)?.message}</p>}
        </section>
    );
}
