import { useState, type SubmitEvent } from 'react';
import { outings as outingsWords } from '../../strings/outings';
import { mass } from '../../ui/figures';
import { Button } from '../../ui/Button';
import { wordsOf } from '../../ui/typed';
import type { Outing, Plan } from './day';
import type { Save } from './useOuting';

const say = outingsWords.outings;

interface Props {
    outing: Outing;
    plan: Plan;
    save: Save;
    onTick: (what: string, ticked: boolean) => void;
    /** Names of the kit’s parts, by row: what was left at home is in no plan. */
    names: ReadonlyMap<string, string>;
}

/** What goes into the bag, what is looked at before leaving, and what to mind. */
export function Packing({ outing, plan, save, onTick, names }: Props) {
    const done = plan.bag.filter(({ name }) => outing.packed.includes(name)).length;
    const home = [...new Set(outing.subjects.flatMap(({ without }) => without))];
    const leave = (part: number) =>
        save.mutate({
            subjects: outing.subjects.map((each) => ({ ...each, without: [...new Set([...each.without, String(part)])] })),
        });
    const takeAgain = (part: string) =>
        save.mutate({ subjects: outing.subjects.map((each) => ({ ...each, without: each.without.filter((one) => one !== part) })) });
    const cautions = [...new Set(plan.assignments.flatMap((each) => each.cautions))];
    return (
        <section aria-label={say.bag} className="min-w-0">
            <h2 className="pb-1 text-sm font-semibold">
                {say.bag} <span className="figures font-normal text-soft">{say.of(done, plan.bag.length)}</span>
            </h2>
            <ul>
                {plan.bag.map((item) => (
                    <Line key={item.name} what={item.name} ticked={outing.packed.includes(item.name)} onTick={onTick}>
                        <span className="min-w-0 flex-1">
                            {item.count > 1 && <span className="figures">{item.count} × </span>}
                            {item.name}
                            {item.toBuy && <span className="ml-1 border-l-[3px] border-ink pl-1 text-sm">{say.toBuy}</span>}
                            {item.part === null && <span className="ml-1 text-sm text-soft">{say.notInKit}</span>}
                        </span>
                        {item.part !== null && (
                            <button
                                type="button"
                                className="px-1 text-xs text-soft underline-offset-2 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:text-ink hover:underline focus-visible:opacity-100 phone:opacity-100"
                                aria-label={say.leave(item.name)}
                                onClick={() => item.part !== null && leave(item.part)}
                            >
                                {say.leaveShort}
                            </button>
                        )}
                        <span className="figures w-[72px] text-right text-soft">
                            {item.massG === null ? <span className="text-xs">{say.notKnown}</span> : mass(item.massG * item.count)}
                        </span>
                    </Line>
                ))}
            </ul>
            {home.length > 0 && (
                <p className="pt-2 text-sm text-soft">
                    {say.home}:{' '}
                    {home.map((part) => (
                        <button
                            key={part}
                            type="button"
                            className="mr-2 underline underline-offset-2 hover:text-ink"
                            aria-label={say.takeAgain(names.get(part) ?? part)}
                            onClick={() => takeAgain(part)}
                        >
                            {names.get(part) ?? part} ×
                        </button>
                    ))}
                </p>
            )}
            <Checks outing={outing} suggested={plan.checks} save={save} onTick={onTick} />
            {cautions.length > 0 && (
                <div className="mt-4 border-l-[3px] border-line pl-3 text-sm text-soft">
                    <h3 className="font-semibold">{say.cautions}</h3>
                    {cautions.map((text) => (
                        <p key={text} className="pt-1">
                            {text}
                        </p>
                    ))}
                </div>
            )}
        </section>
    );
}

function Checks({ outing, suggested, save, onTick }: Pick<Props, 'outing' | 'save' | 'onTick'> & { suggested: readonly string[] }) {
    const [adding, setAdding] = useState(false);
    const add = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const what = wordsOf(event.currentTarget)('what').trim();
        if (what !== '' && !outing.checks.includes(what)) save.mutate({ checks: [...outing.checks, what] });
        setAdding(false);
    };
    return (
        <>
            <h2 className="pt-4 pb-1 text-sm font-semibold">{say.checks}</h2>
            <ul>
                {outing.checks.map((what) => (
                    <Line key={what} what={what} ticked={outing.packed.includes(what)} onTick={onTick}>
                        <span className="min-w-0 flex-1">{what}</span>
                        <button
                            type="button"
                            className="px-2 text-soft hover:text-ink"
                            aria-label={say.drop(what)}
                            onClick={() => save.mutate({ checks: outing.checks.filter((each) => each !== what) })}
                        >
                            ×
                        </button>
                    </Line>
                ))}
            </ul>
            {suggested.some((what) => !outing.checks.includes(what)) && (
                <ul aria-label={say.suggested} className="pt-1 text-sm">
                    {suggested
                        .filter((what) => !outing.checks.includes(what))
                        .map((what) => (
                            <li key={what}>
                                <button
                                    type="button"
                                    disabled={save.isPending}
                                    className="py-0.5 text-left text-soft hover:text-ink phone:min-h-11"
                                    onClick={() => save.mutate({ checks: [...outing.checks, what] })}
                                >
                                    + {what}
                                </button>
                            </li>
                        ))}
                </ul>
            )}
            {adding ? (
                <form onSubmit={add} className="flex gap-2 pt-2">
                    <input
                        name="what"
                        autoFocus
                        maxLength={200}
                        aria-label={say.addCheck}
                        autoComplete="off"
                        className="min-w-0 flex-1 border-b-2 border-brass bg-ground px-2 py-1 text-base"
                    />
                    <Button type="submit">{say.addReady}</Button>
                </form>
            ) : (
                <Button bare className="-ml-2" onClick={() => setAdding(true)}>
                    {say.addCheck}
                </Button>
            )}
        </>
    );
}

interface LineProps {
    what: string;
    ticked: boolean;
    onTick: (what: string, ticked: boolean) => void;
    children: React.ReactNode;
}

function Line({ what, ticked, onTick, children }: LineProps) {
    return (
        <li className="group flex items-center gap-2 border-b border-line py-1.5 text-base">
            <input
                type="checkbox"
                className="size-4 shrink-0 accent-(--ink) phone:size-6"
                aria-label={what}
                checked={ticked}
                onChange={(event) => onTick(what, event.target.checked)}
            />
            {children}
        </li>
    );
}
