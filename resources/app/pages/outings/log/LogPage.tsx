import { Link } from 'react-router';
import { reasonOf, type LogQuery, type Schema } from '../../../api/client';
import { Bar } from '../../../shell/Bar';
import { log as logWords } from '../../../strings/log';
import { Blank } from '../../../ui/Blank';
import { Button } from '../../../ui/Button';
import { EmptyPlace } from '../../../ui/EmptyPlace';
import { magnification } from '../../../ui/figures';
import { Pick } from '../../../ui/Pick';
import { useAddress } from '../../../ui/useAddress';
import { dayOf, dateWords } from '../day';
import { EntryRow } from './EntryRow';
import { LogNav } from './LogNav';
import { MagnificationStrip } from './MagnificationStrip';
import { tickWords } from './marks';
import { Pages } from './Pages';
import { useLog } from './useLog';

const say = logWords.log;

const asked = ['words', 'part', 'subject', 'from', 'to', 'since', 'until', 'result'] as const;

/** A number of the address that can be one. */
const numberIn = (params: URLSearchParams, name: string) => {
    const value = Number(params.get(name) ?? '');
    return Number.isFinite(value) && value > 0 ? value : null;
};

/** Everything that was written down, found again by magnification, part, subject, day, words and how it turned out. */
export default function LogPage({ person }: { person: Schema['Person'] }) {
    const { params, change } = useAddress();
    const [from, to, result, page] = ['from', 'to', 'result', 'page'].map((name) => numberIn(params, name)) as [
        number | null,
        number | null,
        number | null,
        number | null,
    ];
    const text = (name: string) => params.get(name) ?? '';
    const query: LogQuery = {
        ...(text('words') === '' ? {} : { words: text('words') }),
        ...(text('part') === '' ? {} : { part: text('part') }),
        ...(text('subject') === '' ? {} : { subject: text('subject') }),
        ...(text('since') === '' ? {} : { since: text('since') }),
        ...(text('until') === '' ? {} : { until: text('until') }),
        ...(from === null ? {} : { from }),
        ...(to === null ? {} : { to }),
        ...(result === null ? {} : { result }),
        ...(page === null ? {} : { page }),
    };
    const log = useLog(query);
    const isAsked = asked.some((name) => params.has(name));
    // What is asked for otherwise begins on the first page.
    const set = (of: Readonly<Record<string, string | null>>) => change({ page: null, ...of });
    const view = log.data;
    const newest = view?.entries[0];
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <LogNav />
            <main id="main" className="w-full flex-1 px-5 py-3" aria-busy={log.isPending}>
                {log.error !== null && (
                    <p role="alert" className="my-2 border-l-[3px] border-ink pl-2 text-sm">
                        {reasonOf(log.error)}
                    </p>
                )}
                {view && view.total === 0 && !isAsked && (
                    <EmptyPlace page title={say.emptyTitle} text={say.emptyText} example="compare" caption={say.emptyCaption}>
                        <Link to="/outings" className="plate bg-ink! px-3 py-1.5 text-sm font-medium text-plate">
                            {say.toOutings}
                        </Link>
                    </EmptyPlace>
                )}
                {view && (view.total > 0 || isAsked) && (
                    <>
                        <h1 className="sr-only">{say.title}</h1>
                        <section aria-label={say.looking} className="text-base leading-9">
                            {say.show}{' '}
                            <Pick
                                label={say.subject}
                                value={text('subject') === '' ? '' : text('subject')}
                                choices={[['', say.anySubject], ...view.subjects.map((each) => [each, each] as const)]}
                                none={say.anySubject}
                                onChange={(value) => set({ subject: value })}
                            />{' '}
                            {say.with}{' '}
                            <Pick
                                label={say.rig}
                                value={text('part') === '' ? '' : text('part')}
                                choices={[['', say.anyPart], ...view.parts.map((each) => [each, each] as const)]}
                                none={say.anyPart}
                                onChange={(value) => set({ part: value })}
                            />{' '}
                            {say.from}{' '}
                            <Blank
                                label={say.fromLabel}
                                value={from}
                                onSet={(value) => {
                                    set({ from: value === null ? null : String(value) });
                                    return Promise.resolve();
                                }}
                            />
                            × {say.to}{' '}
                            <Blank
                                label={say.toLabel}
                                value={to}
                                onSet={(value) => {
                                    set({ to: value === null ? null : String(value) });
                                    return Promise.resolve();
                                }}
                            />
                            ×, {say.between} <Day label={say.sinceLabel} value={text('since')} onSet={(value) => set({ since: value })} />{' '}
                            {say.and} <Day label={say.untilLabel} value={text('until')} onSet={(value) => set({ until: value })} />,{' '}
                            <Pick
                                label={say.turnedOut}
                                value={result === null ? '' : String(result)}
                                choices={[['', say.anyResult], ...[5, 4, 3, 2].map((n) => [String(n), say.orBetter(n)] as const)]}
                                onChange={(value) => set({ result: value })}
                            />
                            {'. '}
                            <input
                                type="search"
                                aria-label={say.words}
                                placeholder={`${say.words}, ${say.wordsHint}`}
                                key={text('words')}
                                defaultValue={text('words')}
                                maxLength={200}
                                className="w-[380px] max-w-full border-b-2 border-brass bg-transparent px-1 text-sm"
                                onBlur={(event) => event.target.value.trim() !== text('words') && set({ words: event.target.value.trim() })}
                                onKeyDown={(event) => event.key === 'Enter' && set({ words: event.currentTarget.value.trim() })}
                            />
                            {isAsked && (
                                <Button bare onClick={() => change(Object.fromEntries([...asked, 'page'].map((name) => [name, null])))}>
                                    {say.clear}
                                </Button>
                            )}
                        </section>
                        <MagnificationStrip
                            marks={view.marks}
                            from={from}
                            to={to}
                            onFrom={(value) => set({ from: value === null ? null : String(value), to: null })}
                        />
                        <p role="status" className="pb-2 text-base">
                            {from !== null && page === null
                                ? newest
                                    ? say.last(
                                          tickWords(from),
                                          dateWords(dayOf(newest.at)),
                                          newest.magnification === null ? '' : magnification(newest.magnification),
                                          newest.title,
                                      )
                                    : say.never(tickWords(from))
                                : view.total === 0
                                  ? say.nowhere
                                  : say.written(view.total)}
                        </p>
                        <ul className="border-t border-ink" aria-label={say.entries}>
                            {view.entries.map((entry) => (
                                <EntryRow key={entry.id} entry={entry} several subjects={view.subjects} />
                            ))}
                        </ul>
                        <Pages page={view.page} pages={view.pages} onGo={(to) => change({ page: to === 1 ? null : String(to) })} />
                    </>
                )}
            </main>
        </div>
    );
}

/** A day of a sentence. */
function Day({ label, value, onSet }: { label: string; value: string; onSet: (value: string) => void }) {
    return (
        <input
            type="date"
            aria-label={label}
            value={value}
            onChange={(event) => onSet(event.target.value)}
            className={`figures border-b-2 border-brass bg-transparent text-sm ${value === '' ? 'text-soft' : 'text-brass'}`}
        />
    );
}
