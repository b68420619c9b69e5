import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
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
    if (!proposals.data || proposals.data.length === 0) return null;
    return (
        <section aria-label={strings.rigs.first} className="py-2">
            <h2 className="pb-1 text-sm font-semibold">{strings.rigs.first}</h2>
            <ul className="flex flex-wrap gap-2">
                {proposals.data.map((each) => (
                    <li key={each.title} className="max-w-[260px] flex-1">
                        <button
                            type="button"
                            disabled={start.isPending}
                            onClick={() => start.mutate(each)}
                            className="plate h-full w-full border-b-2 border-verdigris px-3 py-2 text-left text-sm hover:border-brass"
                        >
                            <span className="font-semibold">{each.title}</span>
                            {each.greatestMagnification !== null && (
                                <span className="figures float-right">{magnification(each.greatestMagnification)}</span>
                            )}
                            <span className="block text-xs text-soft">{each.text}</span>
                            <span className="block pt-1 text-xs">{each.names.join(' + ')}</span>
                        </button>
                    </li>
                ))}
            </ul>
            {start.error && <p role="alert">{start.error.message}</p>}
        </section>
    );
}
