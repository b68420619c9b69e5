import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, reasonOf, type Schema } from '../../../api/client';
import { logChanged } from '../../../api/queries';
import { newId, saidWithout, type Entry } from '../../../offline/outings';
import { usePreferences } from '../../../shell/preferences';
import { log as logWords } from '../../../strings/log';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { fNumber } from '../../../ui/figures';
import { Menu, MenuItem, MenuLine } from '../../../ui/Menu';
import { shutter } from '../../../ui/shutter';
import { dayOf, dateWords, timeOf } from '../day';
import { AgainDialog } from './AgainDialog';
import { ChangeEntry } from './EntryDialog';
import { ShotDialog } from './ShotDialog';
import { TrialOfEntry } from './TrialOfEntry';
import { figures, told } from './told';

const say = logWords.log;

type Listed = Schema['LogEntry'];
interface Props {
    entry: Listed;
    /** Whether entries of several outings stand there. */
    several?: boolean;
    subjects: readonly string[];
}

/** One entry: what was set, as engraved, first; what was measured beside what was said; how it turned out. */
export function EntryRow({ entry, several = false, subjects }: Props) {
    const { units } = usePreferences();
    const queries = useQueryClient();
    const navigate = useNavigate();
    const [asks, setAsks] = useState<'again' | 'change' | 'shot' | 'trial' | 'takeBack' | null>(null);
    const takeBack = useMutation({
        mutationFn: async () => {
            const whole = (await api.entry(entry.outing, entry.id)).entry as unknown as Entry;
            const id = newId();
            await api.takeEntry(entry.outing, id, { ...saidWithout(whole, 'pictures'), id, replaces: [entry.id], withdrawn: true });
        },
        onSuccess: () => {
            setAsks(null);
            logChanged(queries);
        },
    });
    const name = [entry.subject, timeOf(entry.at)].filter(Boolean).join(', ');
    const picture = entry.pictures.findIndex(({ small }) => small);
    const around = [
        entry.aperture === null ? null : fNumber(entry.aperture),
        entry.exposureS === null ? null : shutter(entry.exposureS),
        entry.iso === null ? null : `ISO ${entry.iso}`,
        entry.frames === null ? null : say.frames(entry.frames),
        entry.light,
        entry.sharpest === null ? null : say.trial(fNumber(entry.sharpest)),
    ].filter(Boolean);
    const shownFigures = figures.filter(
        (figure) => entry.measured[figure] !== null || (figure === 'magnification' && entry.predicted[figure] !== null),
    );
    return (
        <li className="grid gap-x-5 gap-y-2 border-b border-line py-3 sm:grid-cols-[120px_1fr] lg:grid-cols-[120px_minmax(0,1fr)_420px_auto]">
            {picture >= 0 ? (
                <img
                    src={api.pictureAddress(entry.outing, entry.id, picture)}
                    alt={say.picture(entry.pictures[picture]?.name ?? '')}
                    loading="lazy"
                    className="h-20 w-[120px] border border-line object-cover"
                />
            ) : (
                <span aria-hidden className="hidden w-[120px] sm:block" />
            )}
            <div className="min-w-0">
                <h2 className="text-base font-semibold">
                    {entry.subject ?? say.everything}{' '}
                    <span className="text-sm font-normal text-soft">
                        <span className="figures">{timeOf(entry.at)}</span>
                        {several && ` · ${dateWords(dayOf(entry.at))}`}
                        {entry.replaces.length > 0 && ` · ${say.corrected}`}
                        {entry.result !== null && ` · ${say.result(entry.result)}`}
                    </span>
                </h2>
                <ul className="flex flex-wrap gap-x-4 text-base">
                    {entry.scales.map(({ part, reads }) => (
                        <li key={part}>
                            <span className="text-sm text-soft">{part}</span>{' '}
                            <span className="figures font-semibold text-brass">{reads}</span>
                        </li>
                    ))}
                </ul>
                <p className="text-sm text-soft">{entry.title}</p>
                {entry.unread.length > 0 && <p className="border-l-[3px] border-ink pl-2 text-sm">{say.unread(entry.unread.join(', '))}</p>}
                {around.length > 0 && <p className="text-sm">{around.join(' · ')}</p>}
                {entry.note !== null && <p className="text-sm">“{entry.note}”</p>}
                {several && (
                    <Link to={`/outings/${entry.outing}/after`} className="text-sm text-beam underline underline-offset-2">
                        {entry.outingName}
                    </Link>
                )}
            </div>
            <table
                className="h-fit w-full max-w-[420px] table-fixed text-sm sm:col-start-2 lg:col-start-3"
                aria-label={`${say.measured}, ${say.said}: ${name}`}
            >
                <thead>
                    <tr className="text-left text-xs text-soft">
                        <th className="w-[104px]" />
                        <th scope="col" className="text-right font-normal">
                            {say.measured}
                        </th>
                        <th scope="col" className="text-right font-normal">
                            {say.said}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {shownFigures.map((figure) => (
                        <tr key={figure} className="border-t border-line">
                            <th scope="row" className="py-0.5 pr-2 text-left align-top font-normal whitespace-nowrap text-soft">
                                {say[figure]}
                            </th>
                            <td className="figures pl-2 text-right align-top font-semibold sm:whitespace-nowrap">
                                {told(entry.measured, figure, units) ?? '–'}
                            </td>
                            <td className="figures pl-2 text-right align-top sm:whitespace-nowrap">
                                {told(entry.predicted, figure, units) ?? '–'}
                                {entry.inside[figure] === false && <span className="block font-semibold">{say.outside}</span>}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <div className="flex items-start gap-1 sm:col-start-2 lg:col-start-4 lg:flex-col lg:items-end">
                <Button aria-label={say.againOf(name)} onClick={() => setAsks('again')}>
                    {say.again}
                </Button>
                <Menu align="end" label={<span aria-label={say.actions(name)}>{say.more}</span>}>
                    <MenuItem onSelect={() => setAsks('change')}>{say.change}</MenuItem>
                    <MenuItem onSelect={() => void navigate(`/outings/${entry.outing}/sheets?entry=${entry.id}`)}>{say.sheet}</MenuItem>
                    {(entry.measured.magnification !== null || entry.measured.workingDistanceMm !== null) && (
                        <MenuItem onSelect={() => setAsks('shot')}>{say.shot}</MenuItem>
                    )}
                    {entry.trial.length > 0 && <MenuItem onSelect={() => setAsks('trial')}>{say.keepTrial}</MenuItem>}
                    {entry.pictures.map((each, n) => (
                        <MenuItem
                            key={`${each.name} ${n}`}
                            onSelect={() => location.assign(`${api.pictureAddress(entry.outing, entry.id, n)}/xmp`)}
                        >
                            {say.sidecar(each.name)}
                        </MenuItem>
                    ))}
                    <MenuLine />
                    <MenuItem onSelect={() => setAsks('takeBack')}>{say.takeBack}</MenuItem>
                </Menu>
            </div>
            {asks === 'again' && <AgainDialog entry={entry} onClose={() => setAsks(null)} />}
            {asks === 'change' && <ChangeEntry outing={entry.outing} entry={entry.id} subjects={subjects} onClose={() => setAsks(null)} />}
            {asks === 'shot' && <ShotDialog outing={entry.outing} entry={entry.id} onClose={() => setAsks(null)} />}
            {asks === 'trial' && <TrialOfEntry outing={entry.outing} entry={entry.id} onClose={() => setAsks(null)} />}
            <Dialog open={asks === 'takeBack'} onOpenChange={(on) => !on && setAsks(null)} title={say.takeBack} text={say.takeBackText}>
                {takeBack.error !== null && (
                    <p role="alert" className="mb-2 border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(takeBack.error)}
                    </p>
                )}
                <div className="flex justify-end gap-2">
                    <Button onClick={() => setAsks(null)}>{say.cancel}</Button>
                    <Button strong disabled={takeBack.isPending} onClick={() => takeBack.mutate()}>
                        {say.takeBack}
                    </Button>
                </div>
            </Dialog>
        </li>
    );
}
