import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type RigView } from '../../api/client';
import { keys } from '../../api/queries';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';

const plain = (value: string | number | boolean | null) => (value === null ? '—' : String(value));

/** What corrections in the kit changed in this rig, said once. */
export function News({ rig }: { rig: RigView }) {
    const queries = useQueryClient();
    const seen = useMutation({
        mutationFn: () => api.newsSeen(rig.id),
        onSuccess: () => queries.setQueryData<RigView>(keys.rig(rig.id), (now) => now && { ...now, news: [] }),
    });
    return (
        <section
            aria-label={strings.news.title}
            className="mb-2 flex items-start gap-4 border-l-[3px] border-brass bg-plate px-3 py-2 text-sm"
        >
            <ul className="min-w-0 flex-1">
                {rig.news.map((each, at) => (
                    <li key={at}>
                        {each.followed ? strings.news.followed(each.part) : strings.news.kept(each.part, each.reason ?? '')}{' '}
                        <span className="text-soft">
                            {each.changes
                                .map((change) =>
                                    change.before === null && change.after === null
                                        ? change.label
                                        : `${change.label} ${plain(change.before)} → ${plain(change.after)} ${change.unit}`.trim(),
                                )
                                .join(', ')}
                        </span>
                    </li>
                ))}
            </ul>
            <Button disabled={seen.isPending} onClick={() => seen.mutate()}>
                {strings.news.seen}
            </Button>
        </section>
    );
}
