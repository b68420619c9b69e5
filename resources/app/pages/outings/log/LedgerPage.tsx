import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, reasonOf, type Schema } from '../../../api/client';
import { keys } from '../../../api/queries';
import { Bar } from '../../../shell/Bar';
import { usePreferences } from '../../../shell/preferences';
import { log as logWords } from '../../../strings/log';
import { Button } from '../../../ui/Button';
import { EmptyPlace } from '../../../ui/EmptyPlace';
import { digits } from '../../../ui/figures';
import { Pick } from '../../../ui/Pick';
import { dateWords } from '../day';
import { LogNav } from './LogNav';
import { ResidualStrip } from './ResidualStrip';
import { ShotDialog } from './ShotDialog';
import { figureTold, figures, type Figure } from './told';

const say = logWords.log;

/** How right the tool was, for oneself: what was said beside what was measured, and which lens to settle. */
export default function LedgerPage({ person }: { person: Schema['Person'] }) {
    const { units } = usePreferences();
    const ledger = useQuery({ queryKey: keys.ledger, queryFn: api.ledger, retry: false });
    const [figure, setFigure] = useState<Figure>('magnification');
    const [settles, setSettles] = useState<Schema['LedgerHint'] | null>(null);
    const view = ledger.data;
    const there = figures.filter((each) => view?.lines.some((line) => line.figure === each));
    const shown = there.includes(figure) ? figure : (there[0] ?? figure);
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <LogNav />
            <main id="main" className="w-full flex-1 px-5 py-3" aria-busy={ledger.isPending}>
                {ledger.error !== null && (
                    <p role="alert" className="my-2 border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(ledger.error)}
                    </p>
                )}
                {view && view.points.length === 0 && (
                    <EmptyPlace page title={say.emptyLedgerTitle} text={say.emptyLedger} example="compare" caption={say.emptyLedgerCaption}>
                        <Link to="/outings" className="plate bg-ink! px-3 py-1.5 text-sm font-medium text-plate">
                            {say.toOutings}
                        </Link>
                    </EmptyPlace>
                )}
                {view && view.points.length > 0 && (
                    <>
                        <h1 className="text-lg font-semibold">{say.ledgerTitle}</h1>
                        <p className="pb-3 text-sm text-soft">
                            {say.ledgerText} {view.more > 0 && say.onlyNewest(view.entries, view.more)}
                        </p>
                        {view.hints.length > 0 && (
                            <section aria-label={say.hints} className="mb-4 border-l-[3px] border-brass bg-plate px-3 py-2">
                                <ul>
                                    {view.hints.map((hint) => (
                                        <li key={hint.lens} className="flex flex-wrap items-center gap-3 text-base">
                                            <span className="min-w-0 flex-1">
                                                {say.hint(
                                                    hint.lens,
                                                    dateWords(hint.day),
                                                    figureTold('magnification', hint.measured, null, units),
                                                    figureTold('magnification', hint.predicted, null, units),
                                                )}
                                            </span>
                                            <Button strong onClick={() => setSettles(hint)}>
                                                {say.settle}
                                            </Button>
                                        </li>
                                    ))}
                                </ul>
                            </section>
                        )}
                        <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
                            <Lines lines={view.lines} title={say.all} />
                            <Lines lines={view.byLens.filter((line) => line.figure === shown)} title={say.byLens} lenses />
                        </div>
                        <section aria-label={say.points} className="pt-6">
                            <h2 className="text-sm font-semibold">
                                {say.points},{' '}
                                <Pick
                                    label={say.pointsOf}
                                    value={shown}
                                    choices={there.map((each) => [each, say[each]] as const)}
                                    onChange={setFigure}
                                />
                            </h2>
                            <ResidualStrip points={view.points.filter((point) => point.figure === shown)} figure={shown} />
                        </section>
                    </>
                )}
                {settles && <ShotDialog outing={settles.outing} entry={settles.entry} onClose={() => setSettles(null)} />}
            </main>
        </div>
    );
}

const percent = (share: number) => `${digits(Math.abs(share) * 100)}\u2009%`;

function Lines({ lines, title, lenses = false }: { lines: readonly Schema['LedgerLineView'][]; title: string; lenses?: boolean }) {
    const head = 'py-1 text-right font-normal';
    return (
        <table className="h-fit w-full text-sm" aria-label={title}>
            <caption className="pb-1 text-left text-sm font-semibold">{title}</caption>
            <thead className="border-b border-ink text-xs text-soft">
                <tr>
                    <th scope="col" className="py-1 text-left font-normal">
                        {lenses ? say.lens : say.pointsOf}
                    </th>
                    <th scope="col" className={head}>
                        {say.measuredTimes}
                    </th>
                    <th scope="col" className={head}>
                        {say.halfNearer}
                    </th>
                    <th scope="col" className={head}>
                        {say.tends}
                    </th>
                    <th scope="col" className={head}>
                        {say.within}
                    </th>
                </tr>
            </thead>
            <tbody>
                {lines.map((line) => (
                    <tr key={`${line.figure} ${line.lens ?? ''}`} className="border-b border-line">
                        <th scope="row" className="py-1.5 text-left font-normal">
                            {line.lens ?? say[line.figure]}
                        </th>
                        <td className="figures text-right">{line.count}</td>
                        <td className="figures text-right font-semibold">{percent(line.medianError)}</td>
                        <td className="text-right">
                            {Math.abs(line.medianSigned) < 0.0005
                                ? say.neither
                                : line.medianSigned > 0
                                  ? say.tooLarge(percent(line.medianSigned))
                                  : say.tooSmall(percent(line.medianSigned))}
                        </td>
                        <td className="figures text-right">{line.stated === 0 ? '–' : say.insideOf(line.inside, line.stated)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
