import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { api, reasonOf, type Schema } from '../../api/client';
import { keys } from '../../api/queries';
import { Bar } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { download } from '../../drawing/exportSvg';
import { strings } from '../../strings/index';
import { Button } from '../../ui/Button';
import { Menu, MenuItem } from '../../ui/Menu';
import { asked, most, queryOf, type Asked } from './asked';
import { Aligned } from './Aligned';
import { csvOf } from './csv';
import { Figures } from './Figures';
import { Verdict } from './Verdict';

const say = strings.compare;

/** Rigs side by side on the same target: all of it in the address, so that a comparison is kept, sent and opened as a link. */
export default function ComparePage({ person }: { person: Schema['Person'] }) {
    const { units } = usePreferences();
    const [params, setParams] = useSearchParams();
    const wanted = asked(params);
    const query = queryOf(wanted);
    const kept = useQuery({ queryKey: keys.rigs, queryFn: () => api.rigs() });
    const found = useQuery({
        queryKey: keys.comparison(query),
        queryFn: () => api.compare(query ?? { rigs: '' }),
        enabled: query !== null,
        placeholderData: keepPreviousData,
        staleTime: 0,
        retry: false,
    });
    const set = (changes: Record<string, string | null>) =>
        setParams(
            (now) => {
                const next = new URLSearchParams(now);
                for (const [name, value] of Object.entries(changes)) {
                    if (value === null || value === '') next.delete(name);
                    else next.set(name, value);
                }
                return next;
            },
            { replace: true },
        );
    const keep = (rigs: readonly number[]) => set({ rigs: rigs.join(',') });
    const others = kept.data?.filter(({ id }) => !wanted.rigs.includes(id)) ?? [];
    const told = query === null ? undefined : found.data;
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full max-w-[1280px] px-5 py-3">
                <h1 className={wanted.rigs.length === 0 ? 'text-xl font-semibold' : 'sr-only'}>{say.title}</h1>
                {wanted.rigs.length === 0 && <p className="max-w-[60ch] pt-1 pb-3 text-base text-soft">{say.empty}</p>}
                <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1 border-b border-ink pb-2 text-lg">
                    {wanted.rigs.length > 0 && <Sentence wanted={wanted} onChange={set} />}
                    <span className="no-print ml-auto flex text-sm">
                        {told && (
                            <>
                                <Button bare onClick={() => print()}>
                                    {say.print}
                                </Button>
                                <Button bare onClick={() => download(csvOf(told.rigs), 'comparison.csv', 'text/csv')}>
                                    {say.csv}
                                </Button>
                            </>
                        )}
                        <Menu label={say.add} align="end">
                            {(others.length === 0 || wanted.rigs.length >= most) && (
                                <p className="px-3 py-1.5 text-sm text-soft">{say.none}</p>
                            )}
                            {wanted.rigs.length < most &&
                                others.map((rig) => (
                                    <MenuItem key={rig.id} note={rig.parts} onSelect={() => keep([...wanted.rigs, rig.id])}>
                                        {rig.name ?? strings.bench.unnamed}
                                    </MenuItem>
                                ))}
                        </Menu>
                    </span>
                </div>
                {query !== null && found.isError && (
                    <p role="alert" className="my-2 border-l-[3px] border-ink pl-2">
                        {reasonOf(found.error)}
                    </p>
                )}
                {told && !found.isError && (
                    <div aria-busy={found.isPlaceholderData} className={found.isPlaceholderData ? 'opacity-60' : ''}>
                        <Aligned rigs={told.rigs} units={units} onDrop={(id) => keep(wanted.rigs.filter((each) => each !== id))} />
                        <div className="grid gap-x-10 lg:grid-cols-2">
                            <Figures rigs={told.rigs} units={units} />
                            <Verdict comparison={told} units={units} />
                        </div>
                    </div>
                )}
                {wanted.rigs.length === 0 && kept.isSuccess && (
                    <section aria-label={say.choose} className="py-3">
                        <h2 className="pb-1 text-sm font-semibold">{others.length === 0 ? say.none : say.choose}</h2>
                        {others.length === 0 && (
                            <Link className="text-beam underline underline-offset-2" to="/bench">
                                {strings.places.bench}
                            </Link>
                        )}
                        <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
                            {others.map((rig) => (
                                <li key={rig.id}>
                                    <button
                                        type="button"
                                        className="w-full border-b border-line py-2 text-left text-sm hover:bg-plate"
                                        onClick={() => keep([rig.id])}
                                    >
                                        <span className="block font-semibold">{rig.name ?? strings.bench.unnamed}</span>
                                        <span className="block text-soft">{rig.parts}</span>
                                    </button>
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
            </main>
        </div>
    );
}

/** What each is brought to, as a sentence with blanks. */
function Sentence({ wanted, onChange }: { wanted: Asked; onChange: (changes: Record<string, string | null>) => void }) {
    const pick = 'border-b-2 border-dotted border-verdigris bg-transparent text-verdigris';
    const blank = 'figures w-20 border-b-2 border-brass bg-transparent px-1 text-right text-brass outline-none focus:bg-plate';
    return (
        <>
            <label>
                {say.bring}{' '}
                <select className={pick} value={wanted.to} onChange={(event) => onChange({ to: event.target.value, value: null })}>
                    {Object.entries(say.to).map(([value, text]) => (
                        <option key={value} value={value}>
                            {text}
                        </option>
                    ))}
                </select>
            </label>
            {wanted.to !== '' && wanted.to !== 'closest' && (
                <label>
                    <span className="sr-only">{say.to[wanted.to]}</span>
                    <input
                        key={wanted.to}
                        className={blank}
                        inputMode="decimal"
                        defaultValue={wanted.value ?? ''}
                        onChange={(event) => onChange({ value: event.target.value.replace(',', '.') })}
                    />{' '}
                    {wanted.to === 'magnification' ? '×' : 'mm'} {wanted.to === 'subjectDistanceMm' && say.fromSensor}
                </label>
            )}
            <label>
                {say.light}{' '}
                <select className={pick} value={wanted.stop} onChange={(event) => onChange({ stop: event.target.value })}>
                    {Object.entries(say.stop).map(([value, text]) => (
                        <option key={value} value={value}>
                            {text}
                        </option>
                    ))}
                </select>
            </label>
            {wanted.stop === 'effective' && (
                <input
                    aria-label={say.stop.effective}
                    className={blank}
                    inputMode="decimal"
                    defaultValue={wanted.effective ?? ''}
                    onChange={(event) => onChange({ effective: event.target.value.replace(',', '.') })}
                />
            )}
            <label>
                {say.target}{' '}
                <input
                    className={blank}
                    inputMode="decimal"
                    defaultValue={wanted.depthMm ?? ''}
                    onChange={(event) => onChange({ depth: event.target.value.replace(',', '.') })}
                />{' '}
                {say.deep}
            </label>
        </>
    );
}
