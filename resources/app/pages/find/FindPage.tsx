import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api, messageOf, reasonOf, Refused, type KitView, type Schema } from '../../api/client';
import { keys, rigsChanged } from '../../api/queries';
import { length, magnification, type Units } from '../../ui/figures';
import { Bar } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { find as findWords } from '../../strings/find';
import { Button } from '../../ui/Button';
import { Lost } from '../../ui/Lost';
import { KitChoice } from '../../kit/KitChoice';
import { NextStep } from '../../kit/NextStep';
import { useKit } from '../../kit/useKit';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { FindMap, RouteMark, type RouteName } from './FindMap';
import { FoundList, gapsText, rigKey } from './FoundList';
import { Sentence, type Choice } from './Sentence';
import { SideBySide } from './SideBySide';
import { useFind, type Finding } from './useFind';
import { addressOf, rankings, wishIn, type Ranking, type Wish } from './wish';
import { Wishes } from './Wishes';

const say = findWords.find;
const noDots: readonly (readonly number[])[] = [];

/** Which of my possible rigs gives me this frame, with this much room? */
export default function FindPage({ person }: { person: Schema['Person'] }) {
    const { units } = usePreferences();
    const { kit, trouble, retry } = useKit();
    const [wish, change] = useWish();
    const finding = useFind(kit, wish);
    const overview = useQuery({
        queryKey: keys.overview(kit),
        queryFn: () => api.overview(kit?.id ?? 0),
        enabled: kit !== undefined,
        staleTime: Infinity,
    });
    const { refetch } = overview;
    const overviewAgain = useCallback(() => void refetch(), [refetch]);
    const [pointed, setPointed] = useState<number | null>(null);
    const [route, setRoute] = useState<RouteName | null>(null);
    const [fixed, setFixed] = useState<RouteName | null>(null);
    const navigate = useNavigate();
    const queries = useQueryClient();
    const setUp = (rig: Schema['FoundRig']) =>
        api.setUp(kit?.id ?? 0, {
            camera: rig.camera ?? 0,
            parts: rig.parts,
            support: finding.wanted.support,
            subjectWidthMm: finding.wanted.numbers.fieldWidthMm ?? null,
            subjectDepthMm: finding.wanted.numbers.subjectDepthMm ?? null,
            infinity: finding.wanted.infinity,
        });
    const compare = useMutation({
        mutationFn: (rigs: readonly Schema['FoundRig'][]) =>
            api.setUpToCompare(kit?.id ?? 0, {
                rigs: rigs.map((rig) => ({ camera: rig.camera ?? 0, parts: rig.parts })),
                subjectWidthMm: finding.wanted.numbers.fieldWidthMm ?? null,
                subjectDepthMm: finding.wanted.numbers.subjectDepthMm ?? null,
            }),
        onSuccess: ({ rigs }) => void navigate(`/compare?rigs=${rigs.join(',')}`),
    });
    const open = useMutation({
        mutationFn: setUp,
        onSuccess: (rig) => {
            queries.setQueryData(keys.rig(rig.id), rig);
            rigsChanged(queries);
            void navigate(`/bench/${rig.id}`);
        },
    });
    const openRig = open.mutate;
    const { found, rows, looking } = finding;
    const at = pointed === null ? undefined : rows[pointed];
    const troubles: Record<string, string> = {};
    if (finding.error instanceof Refused) {
        for (const [place, text] of Object.entries(finding.error.fields)) {
            const name = place.replace(/^\//, '');
            troubles[name] = text.startsWith(`${name}: `) ? text.slice(name.length + 2) : text;
        }
    }
    const map = overview.data;
    const choices = useMemo(() => choicesOf(kit), [kit]);
    const [ticked, setTicked] = useState<readonly string[]>([]);
    const tick = useCallback(
        (rig: Schema['FoundRig']) =>
            setTicked((keys) => (keys.includes(rigKey(rig)) ? keys.filter((key) => key !== rigKey(rig)) : [...keys, rigKey(rig)])),
        [],
    );
    const side = [...rows, ...finding.missed].filter((rig) => ticked.includes(rigKey(rig)));

    return (
        <div className="flex min-h-dvh flex-col lg:h-dvh">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="flex min-h-0 flex-1 flex-col">
                <h1 className="sr-only">{say.title}</h1>
                <div className="flex items-start gap-4 border-b border-ink px-5 py-2.5">
                    <div className="min-w-0 flex-1">
                        <Sentence wish={wish} onChange={change} troubles={troubles} parts={choices.parts} cameras={choices.cameras} />
                    </div>
                    {kit && (
                        <div className="flex items-center whitespace-nowrap">
                            <KitChoice />
                            <Wishes kit={kit.id} wish={wish} onChoose={change} />
                            <Link to="/find/cards" className="px-2 py-1 text-sm text-soft hover:text-ink">
                                {say.cards}
                            </Link>
                        </div>
                    )}
                </div>
                <div className="grid min-h-0 flex-1 max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_620px]">
                    <section aria-label={say.map} className="flex min-h-0 flex-col px-5 py-2">
                        {map && map.rigs > 0 && (
                            <>
                                <FindMap
                                    map={map}
                                    units={units}
                                    fits={found?.dots ?? noDots}
                                    leastRoomMm={finding.wanted.numbers.leastRoomMm ?? null}
                                    pointed={at ?? null}
                                    route={route ?? fixed}
                                />
                                <Legend map={map} route={route ?? fixed} fixed={fixed} onPoint={setRoute} onFix={setFixed} />
                                <p className="pb-1 text-xs text-soft">
                                    {say.mapDots(map.dots.length.toLocaleString('en'), map.rigs.toLocaleString('en'))}{' '}
                                    {map.gaps.length > 0 ? say.gaps(gapsText(map.gaps)) : say.noGaps}
                                    {map.leftOut.length > 0 && ` ${say.leftOut(map.leftOut.join('; '))}`}
                                </p>
                            </>
                        )}
                        {trouble && !kit && <Lost error={trouble} onRetry={retry} />}
                        {overview.isError && <Lost error={overview.error} onRetry={overviewAgain} />}
                    </section>
                    <section
                        aria-label={say.rows}
                        className="slim-scroll border-line bg-plate px-4 py-2 lg:overflow-y-auto lg:border-l"
                        aria-busy={looking}
                    >
                        {map && map.rigs === 0 ? (
                            <EmptyPlace title={say.emptyTitle} text={say.empty} example="find" caption={strings.next.find}>
                                <NextStep kit={kit} then="part" />
                            </EmptyPlace>
                        ) : found === null ? (
                            finding.error && Object.keys(troubles).length === 0 ? (
                                <p role="alert">{messageOf(finding.error)}</p>
                            ) : (
                                map && <EverythingPanel map={map} />
                            )
                        ) : (
                            <>
                                <Count finding={finding} ranking={wish.ranking} onRank={(ranking) => change({ ...wish, ranking })} />
                                {open.isError && (
                                    <p role="alert" className="my-1 border-l-[3px] border-ink pl-2 text-sm">
                                        {reasonOf(open.error)}
                                    </p>
                                )}
                                {side.length > 0 && (
                                    <SideBySide
                                        rigs={side}
                                        units={units}
                                        onClear={() => setTicked([])}
                                        onTick={tick}
                                        onCompare={side.length > 1 ? () => compare.mutate(side) : null}
                                        busy={compare.isPending}
                                        trouble={compare.isError ? reasonOf(compare.error) : null}
                                    />
                                )}
                                <FoundList
                                    rows={rows}
                                    units={units}
                                    label={say.rows}
                                    ticked={ticked}
                                    onTick={tick}
                                    pointed={pointed}
                                    onPoint={setPointed}
                                    onOpen={openRig}
                                    busy={open.isPending}
                                    stale={finding.stale}
                                />
                                {finding.more && found.whole && (
                                    <Button className="mt-3" onClick={finding.more}>
                                        {say.more(Math.min(50, found.count - rows.length))}
                                    </Button>
                                )}
                                {finding.missed.length > 0 && !finding.stale && (
                                    <>
                                        <h2 className="pt-4 text-sm font-semibold">{say.missed}</h2>
                                        <FoundList
                                            rows={finding.missed}
                                            units={units}
                                            label={say.missed}
                                            pointed={null}
                                            onPoint={() => undefined}
                                            onOpen={openRig}
                                            busy={open.isPending}
                                            ticked={ticked}
                                            onTick={tick}
                                        />
                                    </>
                                )}
                                {found.whole && found.fulfil === 0 && found.mayFulfil === 0 && !looking && (
                                    <Near finding={finding} units={units} onOpen={openRig} busy={open.isPending} />
                                )}
                            </>
                        )}
                    </section>
                </div>
            </main>
        </div>
    );
}

/** What a wish can name of a kit: what stands in a chain, and cameras. */
function choicesOf(kit: KitView | undefined): { parts: Choice[]; cameras: Choice[] } {
    const inChain = (kind: string) => !['camera', 'rail', 'tripod', 'stand', 'flash', 'lamp', 'reference'].includes(kind);
    const all = (kit?.parts ?? []).map(({ part }) => part);
    return {
        parts: all.filter((part) => inChain(part.kind)).map((part) => [part.id, part.name] as const),
        cameras: all.filter((part) => part.kind === 'camera').map((part) => [part.id, part.name] as const),
    };
}

/**
 * The wish, and the address that holds it. What is typed counts at once; the address follows, and leads only where
 * somebody went to another one.
 */
function useWish(): [Wish, (next: Wish) => void] {
    const [params, setParams] = useSearchParams();
    const address = params.toString();
    const [wish, setWish] = useState(() => wishIn(params));
    // Addresses that were written here and may still be on their way: the router takes its time.
    const written = useRef([address]);
    useEffect(() => {
        const at = written.current.indexOf(address);
        if (at < 0) setWish(wishIn(new URLSearchParams(address)));
        written.current = at < 0 ? [address] : written.current.slice(at);
    }, [address]);
    const latest = useRef(setParams);
    useEffect(() => {
        latest.current = setParams;
    });
    // Writing an address renders the whole application again: it waits until the hands rest.
    useEffect(() => {
        const to = addressOf(wish);
        if (to.toString() === written.current.at(-1)) return;
        const timer = setTimeout(() => {
            written.current.push(to.toString());
            latest.current(to, { replace: true });
        }, 300);
        return () => clearTimeout(timer);
    }, [wish]);
    return [wish, setWish];
}

interface CountProps {
    finding: Finding;
    ranking: Ranking;
    onRank: (ranking: Ranking) => void;
}

/** How many do it, what was read of them, what was left out, and in which order they stand. */
function Count({ finding: { found, looking }, ranking, onRank }: CountProps) {
    if (!found) return null;
    const n = (value: number) => value.toLocaleString('en');
    return (
        <div className="border-b border-line pb-2 text-sm">
            <div className="flex items-baseline gap-3">
                <p role="status" className="min-w-0 flex-1">
                    {found.whole ? (
                        <>
                            <strong>{say.does(n(found.fulfil), n(found.rigs))}</strong>
                            {say.doRest}
                        </>
                    ) : (
                        say.first(n(found.rigs))
                    )}{' '}
                    <span className="text-soft">{looking ? say.asking : ''}</span>
                </p>
                <label className="whitespace-nowrap text-soft">
                    {say.order}{' '}
                    <select
                        className="border-b border-line bg-plate text-ink"
                        value={ranking}
                        onChange={(event) => onRank(event.target.value as Ranking)}
                    >
                        {rankings.map((each) => (
                            <option key={each} value={each}>
                                {say.orders[each]}
                            </option>
                        ))}
                    </select>
                </label>
            </div>
            {found.whole && found.fulfil > 0 && (
                <p className="text-xs text-soft">
                    {say.read(n(found.read), n(found.count))} {found.mayFulfil > 0 && say.may(n(found.mayFulfil))}{' '}
                    {found.dark > 0 && `${say.dark(n(found.dark))} `}
                    {found.leftOut.length > 0 ? say.leftOut(found.leftOut.join('; ')) : say.nothingLeftOut}
                </p>
            )}
        </div>
    );
}

interface NearProps {
    finding: Finding;
    units: Units;
    onOpen: (rig: Schema['FoundRig']) => void;
    busy: boolean;
}

/** When nothing does it: how near the kit comes, and the one part that would. */
function Near({ finding: { near, found }, units, onOpen, busy }: NearProps) {
    if (!near) return <p className="py-3 text-sm text-soft">{found ? say.nearWait : ''}</p>;
    return (
        <>
            <h2 className="pt-3 text-base font-semibold">{say.noneTitle}</h2>
            <h3 className="pt-3 text-sm font-semibold">{say.missing}</h3>
            {near.missing.length === 0 ? (
                <p className="text-sm text-soft">{say.missingNone}</p>
            ) : (
                <ul className="text-sm">
                    {near.missing.map((each) => (
                        <li key={each.name} className="border-b border-line py-1.5">
                            <strong>{each.name}</strong>
                            <span className="block text-soft">
                                {each.rig.title}
                                {each.rig.workingDistanceMm !== null && ` · ${length(each.rig.workingDistanceMm, units)} ${say.off}`}
                                {each.rig.magnification !== null && ` · ${magnification(each.rig.magnification)}`} ·{' '}
                                {say.missingMore(each.fulfil)}
                            </span>
                        </li>
                    ))}
                </ul>
            )}
            {near.leftOut.length > 0 && <p className="pt-1 text-xs text-soft">{say.leftOut(near.leftOut.join('; '))}</p>}
            {near.nearest.length > 0 && (
                <>
                    <h3 className="pt-4 text-sm font-semibold">{say.nearest}</h3>
                    <FoundList
                        rows={near.nearest}
                        units={units}
                        label={say.nearest}
                        pointed={null}
                        onPoint={() => undefined}
                        onOpen={onOpen}
                        busy={busy}
                    />
                </>
            )}
        </>
    );
}

interface LegendProps {
    map: Schema['OverviewView'];
    route: RouteName | null;
    fixed: RouteName | null;
    onPoint: (route: RouteName | null) => void;
    onFix: (route: RouteName | null) => void;
}

const isRoute = (name: string): name is RouteName => name in say.routes;

/** The routes; the one that is pointed at, or pressed, stands out on the map. */
function Legend({ map, route, fixed, onPoint, onFix }: LegendProps) {
    return (
        <div className="flex flex-wrap gap-x-1 pl-[46px]" onPointerLeave={() => onPoint(null)}>
            {map.routes.map(
                ({ route: name, rigs }) =>
                    isRoute(name) &&
                    rigs > 0 && (
                        <button
                            key={name}
                            type="button"
                            aria-pressed={fixed === name}
                            className={`flex items-center gap-1 px-1 py-0.5 text-xs ${route === name ? 'text-ink underline underline-offset-4' : route === null ? 'text-ink' : 'text-soft'}`}
                            onPointerEnter={() => onPoint(name)}
                            onFocus={() => onPoint(name)}
                            onBlur={() => onPoint(null)}
                            onClick={() => onFix(fixed === name ? null : name)}
                        >
                            <RouteMark route={name} />
                            {say.routes[name]}
                        </button>
                    ),
            )}
        </div>
    );
}

/** Without a wish: what the kit can do at all, route by route. */
function EverythingPanel({ map }: { map: Schema['OverviewView'] }) {
    const range = map.magnification;
    return (
        <>
            <h2 className="pt-1 text-base font-semibold">{say.allTitle}</h2>
            <p className="py-1 text-sm text-soft">
                {say.allText(
                    map.rigs.toLocaleString('en'),
                    range?.least ? magnification(range.least) : 'infinity',
                    magnification(range?.greatest ?? 0),
                )}
            </p>
            <table className="w-full text-sm">
                <tbody>
                    {map.routes.map(
                        ({ route, rigs, gaps }) =>
                            isRoute(route) &&
                            rigs > 0 && (
                                <tr key={route} className="border-b border-line align-baseline">
                                    <th scope="row" className="py-1.5 pr-3 text-left font-normal whitespace-nowrap">
                                        <span className="mr-2 text-soft">
                                            <RouteMark route={route} />
                                        </span>
                                        {say.routes[route]}
                                    </th>
                                    <td className="figures pr-4 text-right">{rigs.toLocaleString('en')}</td>
                                    <td className="text-xs text-soft">{gaps.length > 0 ? say.gapsOf(gapsText(gaps)) : ''}</td>
                                </tr>
                            ),
                    )}
                </tbody>
            </table>
        </>
    );
}
