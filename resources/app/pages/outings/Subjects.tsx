import { useState } from 'react';
import { Link } from 'react-router';
import { usePreferences } from '../../shell/preferences';
import { outings as outingsWords } from '../../strings/outings';
import { Button } from '../../ui/Button';
import { length, magnification, mass } from '../../ui/figures';
import { Menu, MenuItem, MenuLine } from '../../ui/Menu';
import { timeOf, type Outing, type Plan, type Wanted } from './day';
import { PickRig } from './PickRig';
import { SubjectDialog } from './SubjectDialog';
import type { Save } from './useOuting';

const say = outingsWords.outings;

interface Props {
    outing: Outing;
    plan: Plan | undefined;
    save: Save;
}

const numberOf = (of: Record<string, unknown>, name: string) => (typeof of[name] === 'number' ? of[name] : null);

/** What is wanted: each subject with its rig’s letter, and what it adds to the bag. */
export function Subjects({ outing, plan, save }: Props) {
    const { units } = usePreferences();
    const [open, setOpen] = useState<number | null>(null);
    const [mine, setMine] = useState<number | null>(null);
    const put = (subjects: Wanted[]) => save.mutateAsync({ subjects });
    const changed = (at: number, subject: Wanted) => put(outing.subjects.map((each, n) => (n === at ? subject : each)));
    const words = ({ wish, subject, at, pinned }: Wanted): string => {
        const [wide, room, depth] = [numberOf(wish, 'fieldWidthMm'), numberOf(wish, 'leastRoomMm'), numberOf(wish, 'subjectDepthMm')];
        const by = numberOf(wish, 'magnification');
        const traits = Array.isArray(subject['traits']) ? subject['traits'].map(String) : [];
        return [
            wide === null ? (by === null ? null : magnification(by)) : say.wide(length(wide, units)),
            room === null ? null : say.away(length(room, units)),
            depth === null ? null : say.deep(length(depth, units)),
            wish['flat'] === true ? say.flat : null,
            ...traits.map((trait) => say.traits[trait] ?? trait),
            typeof wish['support'] === 'string' ? say.supports[wish['support']] : null,
            at === null ? null : say.at(timeOf(at)),
            pinned === null ? null : say.pinned,
        ]
            .filter(Boolean)
            .join(' · ');
    };
    return (
        <section aria-label={say.wanted} className="min-w-0">
            <h2 className="pb-1 text-sm font-semibold">{say.wanted}</h2>
            {outing.subjects.length === 0 && <p className="py-2 text-sm text-soft">{say.noSubjects}</p>}
            <ul>
                {outing.subjects.map((subject, n) => {
                    const each = plan?.assignments.find((one) => one.subject === subject.name);
                    return (
                        <li key={subject.name} className="grid grid-cols-[28px_1fr_auto] items-baseline border-b border-line py-2">
                            <span className="figures text-lg font-semibold">{each?.letter ?? '–'}</span>
                            <span className="text-base font-semibold">{subject.name}</span>
                            <Menu align="end" label={<span className="sr-only">{say.actions(subject.name)}</span>}>
                                <MenuItem onSelect={() => setOpen(n)}>{say.change}</MenuItem>
                                {subject.pinned !== null ? (
                                    <MenuItem onSelect={() => void changed(n, { ...subject, pinned: null })}>{say.unpin}</MenuItem>
                                ) : (
                                    each?.rig && (
                                        <MenuItem onSelect={() => void changed(n, { ...subject, pinned: each.rig })}>{say.pin}</MenuItem>
                                    )
                                )}
                                <MenuItem onSelect={() => setMine(n)}>{say.withMine}</MenuItem>
                                <MenuLine />
                                <MenuItem onSelect={() => void put(outing.subjects.filter((one) => one !== subject))}>
                                    {say.remove}
                                </MenuItem>
                            </Menu>
                            <span className="col-start-2 col-end-4 text-sm text-soft">{words(subject)}</span>
                            {each && each.letter === null && (
                                <div className="col-start-2 col-end-4 border-l-[3px] border-ink pl-2 text-sm">
                                    <p>{say.none}</p>
                                    {each.buying.map((buy) => (
                                        <p key={buy.part}>
                                            {say.wouldDo(buy.part)}
                                            {buy.orderBy !== null && (
                                                <span className="text-soft">
                                                    {' '}
                                                    · {buy.late ? say.tooLateToOrder : say.orderBy(buy.orderBy)}
                                                </span>
                                            )}
                                        </p>
                                    ))}
                                    <Link className="text-beam underline underline-offset-2" to={findAddress(subject)}>
                                        {say.askFind}
                                    </Link>
                                </div>
                            )}
                            {plan && each?.letter && each.withoutMassG !== null && (
                                <span className="col-start-2 col-end-4 text-sm text-soft">
                                    {say.adds(...addedBy(plan, each.withoutMassG, each.withoutParts))}
                                </span>
                            )}
                        </li>
                    );
                })}
            </ul>
            <Button className="mt-3" onClick={() => setOpen(outing.subjects.length)}>
                {say.addSubject}
            </Button>
            {plan && plan.parts > 0 && (
                <p className="pt-3 text-sm text-soft">
                    {plan.optimal
                        ? say.covers(plan.assignments.filter(({ letter }) => letter !== null).length, plan.parts, outing.by)
                        : say.mayBeOff(say.off(plan.atMostOffBy, outing.by, mass(plan.atMostOffBy)))}
                    {plan.leftOut.map((what) => (
                        <span key={what} className="block">
                            {say.leftOut(what)}
                        </span>
                    ))}
                </p>
            )}
            {open !== null && (
                <SubjectDialog
                    key={open}
                    outing={outing}
                    subject={outing.subjects[open] ?? null}
                    onClose={() => setOpen(null)}
                    onKeep={(subject) => (open < outing.subjects.length ? changed(open, subject) : put([...outing.subjects, subject]))}
                />
            )}
            {mine !== null && (
                <PickRig
                    onClose={() => setMine(null)}
                    onPick={(pinned) => {
                        const subject = outing.subjects[mine];
                        return subject ? changed(mine, { ...subject, pinned }) : Promise.resolve();
                    }}
                />
            )}
        </section>
    );
}

/** What the bag gets heavier by for a subject, and by how many parts; null = by nothing. */
function addedBy(plan: Plan, withoutG: number, withoutParts: number | null): [string | null, number] {
    const [g, parts] = [Math.max(0, plan.massG - withoutG), Math.max(0, plan.parts - (withoutParts ?? plan.parts))];
    return [g < 0.5 && parts === 0 ? null : mass(g), parts];
}

/** The same wish as Find’s address has it. */
function findAddress({ wish }: Wanted): string {
    const blanks = Object.entries(wish).map(([name, value]): [string, string] => [name, String(value === true ? 1 : value)]);
    return `/find?${new URLSearchParams(blanks).toString()}`;
}
