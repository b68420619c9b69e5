import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, reasonOf, type Schema } from '../../../api/client';
import { keys, rigsChanged } from '../../../api/queries';
import { RigLine } from '../../../drawing/RigLine';
import { commonScale, rigOutline } from '../../../drawing/rigOutline';
import { usePreferences } from '../../../shell/preferences';
import { log as logWords } from '../../../strings/log';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import type { Units } from '../../../ui/figures';
import { figures, told } from './told';

const say = logWords.log;

const [wide, high] = [660, 120];

const plain = (value: unknown) =>
    typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '—';

/** The rig of an entry as it stood, what has changed since with what that changes, and the ways to set it up again. */
export function AgainDialog({ entry, onClose }: { entry: Schema['LogEntry']; onClose: () => void }) {
    const { units } = usePreferences();
    const navigate = useNavigate();
    const queries = useQueryClient();
    const since = useQuery({ queryKey: keys.since(entry.outing, entry.id), queryFn: () => api.sinceEntry(entry.outing, entry.id) });
    const setUp = useMutation({
        mutationFn: (today: boolean) => api.setUpEntry(entry.outing, entry.id, today),
        onSuccess: (rig) => {
            rigsChanged(queries);
            void navigate(`/bench/${rig.id}`);
        },
    });
    const trouble = since.error ?? setUp.error;
    const view = since.data;
    const changed = view !== undefined && view.parts.some(({ what }) => what !== 'gone');
    return (
        <Dialog wide open onOpenChange={(on) => !on && onClose()} title={say.again} text={say.againText}>
            {trouble !== null && (
                <p role="alert" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                    {reasonOf(trouble)}
                </p>
            )}
            {view && (
                <>
                    <p className="text-base font-semibold">{view.title}</p>
                    <Outline view={view} />
                    {view.scales.length > 0 && (
                        <section aria-label={say.set} className="border-t border-ink">
                            <ul>
                                {view.scales.map(({ part, reads }) => (
                                    <li key={part} className="flex justify-between border-b border-line py-1.5">
                                        <span>{part}</span>
                                        <span className="figures font-semibold text-brass">{reads}</span>
                                    </li>
                                ))}
                            </ul>
                        </section>
                    )}
                    {view.unread.length > 0 && (
                        <p className="mt-2 border-l-[3px] border-ink pl-2 text-sm">{say.unread(view.unread.join(', '))}</p>
                    )}
                    <section aria-label={say.since} className="pt-4">
                        <h3 className="text-sm font-semibold">{say.since}</h3>
                        {view.parts.length === 0 && <p className="text-sm text-verdigris">{say.nothing}</p>}
                        <ul className="text-sm">
                            {view.parts.map((each) => (
                                <li key={each.part} className="py-0.5">
                                    <span className="font-semibold">{each.part}</span> {say.what[each.what]}
                                    {each.changes.length > 0 && (
                                        <span className="text-soft">
                                            {': '}
                                            {each.changes
                                                .map(({ label, before, after, unit }) =>
                                                    before === null && after === null
                                                        ? label
                                                        : say.changed(label, plain(before), plain(after), unit),
                                                )
                                                .join(', ')}
                                        </span>
                                    )}
                                </li>
                            ))}
                        </ul>
                        {view.trouble !== null && <p className="border-l-[3px] border-ink pl-2 text-sm">{say.cant(view.trouble)}</p>}
                    </section>
                    <Figures view={view} changed={changed} units={units} />
                    <div className="mt-4 flex flex-wrap items-center justify-end gap-2">
                        <Link
                            to={`/outings/${entry.outing}/sheets?entry=${entry.id}`}
                            className="mr-auto text-sm text-beam underline underline-offset-2"
                        >
                            {say.sheet}
                        </Link>
                        {(changed || view.trouble !== null) && (
                            <Button disabled={setUp.isPending} onClick={() => setUp.mutate(false)}>
                                {say.asThen}
                            </Button>
                        )}
                        <Button strong disabled={setUp.isPending || view.trouble !== null} onClick={() => setUp.mutate(true)}>
                            {say.bench}
                        </Button>
                    </div>
                </>
            )}
        </Dialog>
    );
}

function Figures({ view, changed, units }: { view: Schema['SinceView']; changed: boolean; units: Units }) {
    return (
        <table className="mt-4 w-full border-t border-ink text-sm" aria-label={say.figure}>
            <thead>
                <tr className="text-xs text-soft">
                    <th scope="col" className="py-1 text-left font-normal">
                        {say.figure}
                    </th>
                    {changed && (
                        <th scope="col" className="text-right font-normal">
                            {say.then}
                        </th>
                    )}
                    <th scope="col" className="text-right font-normal">
                        {say.today}
                    </th>
                </tr>
            </thead>
            <tbody>
                {figures.map((figure) => (
                    <tr key={figure} className="border-t border-line">
                        <th scope="row" className="py-1 text-left font-normal">
                            {say[figure]}
                        </th>
                        {changed && <td className="figures text-right text-soft">{told(view.then, figure, units) ?? '–'}</td>}
                        <td className="figures text-right font-semibold">{(view.now && told(view.now, figure, units)) ?? '–'}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function Outline({ view }: { view: Schema['SinceView'] }) {
    const plane = wide - 6;
    const { path, tipX, broken } = rigOutline(view, commonScale([view], wide, high - 8, 1.2), plane, high / 2);
    return (
        <svg viewBox={`0 0 ${wide} ${high}`} className="block w-full" role="img" aria-label={view.title}>
            <RigLine path={path} tipX={tipX} planeX={plane} axisY={high / 2} top={6} bottom={high - 6} broken={broken} />
        </svg>
    );
}
