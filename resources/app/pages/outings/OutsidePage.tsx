import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schema } from '../../api/client';
import { RigLine } from '../../drawing/RigLine';
import { commonScale, rigOutline } from '../../drawing/rigOutline';
import { conflicts, saidWithout, standing, type Entry, type Pack, type Written } from '../../offline/outings';
import { useField } from '../../offline/useField';
import { usePreferences } from '../../shell/preferences';
import { outings as outingsWords } from '../../strings/outings';
import { digits, length, lengthDigits, magnification } from '../../ui/figures';
import { Big } from './Big';
import { DifferentForm } from './DifferentForm';
import { timeOf } from './day';
import { plannedEntry } from './plannedEntry';

const say = outingsWords.outings.field;

type Assigned = Schema['AssignmentView'];

/** The subjects in the order of the day. */
const inOrder = (pack: Pack): Assigned[] => {
    const planned = pack.plan.visits.flatMap(({ subjects }) => subjects);
    const rest = pack.plan.assignments.map((_, n) => n).filter((n) => !planned.includes(n));
    return [...planned, ...rest].flatMap((n) => pack.plan.assignments[n] ?? []);
};

/** One big screen a subject: readable at arm’s length in the sun, with one hand, without a network. */
export default function OutsidePage() {
    const id = Number(useParams().outing ?? 0);
    const { pack, written, waiting, isHome, needsSignIn, stays, write } = useField(id);
    const [at, setAt] = useState(0);
    const [asks, setAsks] = useState<{ from: Omit<Entry, 'id' | 'at'>; replaces: string[] } | null>(null);
    const [saved, setSaved] = useState(false);
    if (pack === undefined) return <main className="min-h-dvh" aria-busy="true" />;
    if (pack === null) {
        return (
            <main className="min-h-dvh p-4 text-base">
                <p role="alert">{isHome ? say.lost : say.none}</p>
                <Link to="/outings" className="text-beam underline underline-offset-2">
                    {outingsWords.outings.title}
                </Link>
            </main>
        );
    }
    const subjects = inOrder(pack);
    const each = subjects[Math.min(at, subjects.length - 1)];
    if (!each) return <main className="min-h-dvh p-4">{outingsWords.outings.noSubjects}</main>;
    const go = (to: number) => {
        setAt((to + subjects.length) % subjects.length);
        setSaved(false);
        scrollTo(0, 0);
    };
    const keep = async (entry: Omit<Entry, 'id' | 'at'>) => {
        await write(entry);
        setAsks(null);
        setSaved(true);
    };
    const state = needsSignIn ? say.signIn(waiting) : waiting > 0 ? say.waiting(waiting, isHome) : isHome ? say.home : say.offline;
    return (
        <div className="mx-auto flex min-h-dvh max-w-[520px] flex-col bg-ground">
            <header className="flex min-h-12 items-center gap-3 bg-ink px-4 text-base text-plate">
                <span className="figures font-semibold">{say.at(each.letter ?? '–', subjects.indexOf(each) + 1, subjects.length)}</span>
                <span role="status" className="ml-auto text-right text-sm">
                    {state}
                </span>
                <Link to={`/outings/${id}`} className="flex min-h-12 items-center pl-2 text-sm underline underline-offset-2">
                    {say.leave}
                </Link>
            </header>
            <main id="main" className="flex-1 px-4 pb-6">
                <h1 className="pt-3 text-lg font-semibold">{each.subject}</h1>
                {!stays && <p className="border-l-[3px] border-ink pl-2 text-sm">{say.keepOpen}</p>}
                {asks === null ? (
                    <>
                        <p className="text-sm text-soft">{each.title}</p>
                        {each.letter === null ? (
                            <p className="border-l-[3px] border-ink pl-2 text-base">{say.noRig}</p>
                        ) : (
                            <Figures each={each} />
                        )}
                        <div className="grid grid-cols-2 gap-2 pt-3">
                            {each.rig !== null && (
                                <>
                                    <Big strong className="col-span-2" onClick={() => void keep(plannedEntry(each))}>
                                        {say.asShot}
                                    </Big>
                                    <Big onClick={() => setAsks({ from: plannedEntry(each), replaces: [] })}>{say.different}</Big>
                                </>
                            )}
                            <Big onClick={() => go(at + 1)}>{say.next}</Big>
                        </div>
                        <p role="status" className="min-h-6 pt-1 text-base font-semibold text-verdigris">
                            {saved && say.saved}
                        </p>
                        {each.cautions.map((text) => (
                            <p key={text} className="pt-1 text-sm text-soft">
                                {text}
                            </p>
                        ))}
                        <Log
                            written={written.filter(({ entry }) => entry.subject === each.subject)}
                            onChange={({ entry }) => setAsks({ from: saidWithout(entry, 'id', 'at', 'replaces'), replaces: [entry.id] })}
                            onDecide={(one, others) =>
                                void keep({ ...saidWithout(one.entry, 'id', 'at'), replaces: [one, ...others].map(({ id: of }) => of) })
                            }
                        />
                    </>
                ) : (
                    <DifferentForm
                        from={asks.from}
                        onCancel={() => setAsks(null)}
                        onKeep={(entry) => keep({ ...entry, ...(asks.replaces.length > 0 ? { replaces: asks.replaces } : {}) })}
                    />
                )}
            </main>
        </div>
    );
}

function Figures({ each }: { each: Assigned }) {
    const { units } = usePreferences();
    return (
        <>
            <Outline each={each} />
            <dl className="border-t border-ink">
                {each.scales.map(({ part, reads }) => (
                    <Row key={part} name={part} moved>
                        {reads}
                    </Row>
                ))}
                {each.workingDistanceMm !== null && <Row name={say.front}>{length(each.workingDistanceMm, units)}</Row>}
                {each.light !== null && <Row name={say.light}>{each.light}</Row>}
                {each.frames !== null && each.stepMm !== null && (
                    <Row name={say.frames(length(each.stepMm, units))}>{String(each.frames)}</Row>
                )}
            </dl>
        </>
    );
}

function Row({ name, moved = false, children }: { name: string; moved?: boolean; children: string }) {
    return (
        <div className="flex min-h-12 items-center justify-between gap-3 border-b border-line">
            <dt className="text-base">{name}</dt>
            <dd
                className={`figures text-right font-semibold ${children.length > 14 ? 'text-base' : 'text-lg'} ${moved ? 'text-brass' : ''}`}
            >
                {children}
            </dd>
        </div>
    );
}

const [wide, high] = [360, 130];

function Outline({ each }: { each: Assigned }) {
    const { units } = usePreferences();
    if (each.body === null || each.tipMm === null) return null;
    const rig = { body: each.body, drawn: each.drawn, tipMm: each.tipMm, subjectDistanceMm: each.subjectDistanceMm };
    const plane = wide - 6;
    const { path, tipX, broken } = rigOutline(rig, commonScale([rig], wide, high - 24, 1), plane, high / 2 + 8);
    return (
        <svg
            viewBox={`0 0 ${wide} ${high}`}
            className="block w-full"
            role="img"
            aria-label={outingsWords.outings.drawing(each.letter ?? '', each.title)}
        >
            <RigLine path={path} tipX={tipX} planeX={plane} axisY={high / 2 + 8} top={16} bottom={high} broken={broken} />
            {each.workingDistanceMm !== null && plane - tipX > 26 && (
                <>
                    <path d={`M${tipX} 22H${plane}M${tipX} 17v10M${plane} 17v10`} stroke="var(--ink)" />
                    <text
                        x={(tipX + plane) / 2}
                        y={14}
                        textAnchor="middle"
                        className="figures"
                        fontSize={13}
                        fontWeight={600}
                        fill="var(--ink)"
                    >
                        {lengthDigits(each.workingDistanceMm, units)}
                    </text>
                </>
            )}
        </svg>
    );
}

function Log({
    written,
    onChange,
    onDecide,
}: {
    written: readonly Written[];
    onChange: (of: Written) => void;
    onDecide: (one: Written, others: readonly Written[]) => void;
}) {
    const { units } = usePreferences();
    const open = conflicts(written);
    const told = ({ entry }: Written) =>
        [
            timeOf(entry.at),
            ...entry.scales.map(({ reads }) => reads),
            entry.measured?.fieldWidthMm === undefined ? null : say.across(length(entry.measured.fieldWidthMm, units)),
            entry.measured?.magnification === undefined ? null : magnification(entry.measured.magnification),
            entry.measured?.workingDistanceMm === undefined ? null : length(entry.measured.workingDistanceMm, units),
            entry.frames === undefined ? null : `${digits(entry.frames)} ${say.framesTaken.toLowerCase()}`,
            entry.result === undefined ? null : `${entry.result}/5`,
            entry.note,
        ]
            .filter(Boolean)
            .join(' · ');
    return (
        <section aria-label={say.written} className="pt-4">
            <h2 className="text-base font-semibold">{say.written}</h2>
            {written.length === 0 && <p className="text-sm text-soft">{say.nothing}</p>}
            {open.map((group) => (
                <div key={group[0]?.id} className="my-2 border-l-[3px] border-ink pl-2">
                    <p className="text-base font-semibold">{say.twice}</p>
                    {group.map((one) => (
                        <div key={one.id} className="flex items-center gap-2 py-1">
                            <span className="min-w-0 flex-1 text-sm">{told(one)}</span>
                            <Big
                                aria-label={`${say.thisOne}: ${told(one)}`}
                                onClick={() =>
                                    onDecide(
                                        one,
                                        group.filter((other) => other !== one),
                                    )
                                }
                            >
                                {say.thisOne}
                            </Big>
                        </div>
                    ))}
                </div>
            ))}
            <ul>
                {standing(written)
                    .filter((one) => !open.flat().includes(one))
                    .map((one) => (
                        <li key={one.id} className="flex items-center gap-2 border-b border-line py-1">
                            <span className="min-w-0 flex-1 text-sm">
                                {told(one)}
                                <span className="text-soft">
                                    {' '}
                                    · {one.refused !== null ? say.refused(one.refused) : one.sent ? say.sent : say.waits}
                                </span>
                            </span>
                            <Big aria-label={`${say.change}: ${told(one)}`} onClick={() => onChange(one)}>
                                {say.change}
                            </Big>
                        </li>
                    ))}
            </ul>
        </section>
    );
}
