import { useState, type ReactNode } from 'react';
import type { PartFields } from '../../api/client';
import { first as firstWords } from '../../strings/first';
import { digits } from '../../ui/figures';
import { Pick } from '../../ui/Pick';
import { Term } from '../../ui/Term';
import {
    begins,
    betweens,
    blanksFor,
    bodies,
    lensKinds,
    numbersIn,
    withNumber,
    type Between,
    type Body,
    type LensKind,
    type Name,
} from './answers';
import { AnyOf, BodyShape, OneOf } from './Choices';
import { LiveBlank } from './LiveBlank';

export interface Questions {
    get: (name: Name) => string | null;
    change: (of: Partial<Record<Name, string | null>>) => void;
    trouble: (name: Name) => string | undefined;
    /** Camera and lens as they are taken: what is left blank is filled in so. */
    camera: PartFields;
    lens: PartFields;
}

const say = firstWords.first;

function Question({ number, title, children }: { number: number; title: string; children: ReactNode }) {
    return (
        <section className="px-4 py-4 lg:px-5 lg:first:pl-7" aria-labelledby={`question-${number}`}>
            <h2 id={`question-${number}`} className="mb-2.5 text-base font-semibold">
                <span className="figures mr-2 font-normal text-soft" aria-hidden="true">
                    {number}
                </span>
                {title}
            </h2>
            {children}
        </section>
    );
}

/** A blank for one figure of the address. */
function Figure({
    of,
    name,
    label,
    guess,
    per,
    atOnce,
}: {
    of: Questions;
    name: Name;
    label: string;
    guess?: unknown;
    per?: number;
    atOnce?: boolean;
}) {
    const value = of.get(name);
    return (
        <LiveBlank
            label={label}
            value={value === null ? null : Number(value)}
            guess={typeof guess === 'number' ? guess : null}
            onChange={(next) => of.change({ [name]: next === null ? null : String(next) })}
            trouble={of.trouble(name)}
            {...(per !== undefined && { per })}
            {...(atOnce !== undefined && { atOnce })}
        />
    );
}

export function WhichBody({ of }: { of: Questions }) {
    const words = say.body;
    return (
        <Question number={1} title={words.title}>
            <OneOf<Body>
                label={words.title}
                value={bodies.find((each) => each === of.get('body')) ?? null}
                choices={bodies}
                onChange={(body) =>
                    of.change({
                        body,
                        sensorMm: null,
                        registerMm: null,
                        ...(body === 'built-in'
                            ? { lens: null, mount: null, tubes: null, bellows: null, helicoid: null, turned: null }
                            : {}),
                    })
                }
                told={(body) => (
                    <>
                        <BodyShape body={body} />
                        <span className="block pt-1 text-center text-xs leading-tight text-ink">{words.names[body]}</span>
                    </>
                )}
                className="grid grid-cols-3 gap-1.5"
                each="bg-plate px-1 py-2 text-ink data-[state=on]:text-brass data-[state=on]:font-semibold data-[state=on]:shadow-[inset_0_-2px_0_var(--brass)] hover:shadow-[inset_0_-1px_0_var(--ink)]"
            />
            {of.get('body') !== null && (
                <p className="pt-2 text-sm">
                    <span className="text-soft">{words.other}</span> {words.sensor}{' '}
                    <Figure
                        of={of}
                        name="sensorMm"
                        label={words.sensorLabel}
                        guess={(of.camera['sensor'] as PartFields | undefined)?.['widthMm']}
                    />{' '}
                    {words.wide} <Term of="register">{words.register}</Term>{' '}
                    <Figure of={of} name="registerMm" label={words.registerLabel} guess={of.camera['registerMm']} /> mm
                </p>
            )}
        </Question>
    );
}

export function WhichLens({ of }: { of: Questions }) {
    const words = say.lens;
    const built = of.get('body') === 'built-in';
    const kind = lensKinds.find((each) => each === of.get('lens')) ?? (built ? 'zoom' : 'usual');
    const zoom = kind === 'zoom' || built;
    const from = of.get('from') === 'front' ? 'front' : 'sensor';
    const stations = of.lens['stations'];
    const aperture = of.lens['aperture'] as PartFields | undefined;
    // Of a zoom, what is asked of is its long end.
    const far = Array.isArray(stations) ? (stations as PartFields[]).at(-1) : undefined;
    const own = (name: string) => far?.[name] ?? of.lens[name];
    return (
        <Question number={2} title={words.title}>
            <p className="text-base leading-9">
                <Figure of={of} name="focalMm" label={words.focal} guess={of.lens['focalLengthMm']} />
                {zoom && (
                    <>
                        {' '}
                        {words.to} <Figure of={of} name="longestMm" label={words.longest} guess={far?.['focalLengthMm']} />
                    </>
                )}{' '}
                {words.aperture} <Figure of={of} name="widest" label={words.widest} guess={aperture?.['widest']} />
                {kind !== 'enlarging' && (
                    <>
                        {words.closest}{' '}
                        <Figure
                            of={of}
                            name="closestMm"
                            label={words.closestLabel}
                            per={1000}
                            guess={own('minFocusMm') ?? own('minFocusFrontMm')}
                        />{' '}
                        {words.metres}{' '}
                        <Pick
                            label={words.from}
                            value={from}
                            choices={[
                                ['sensor', words.froms.sensor],
                                ['front', words.froms.front],
                            ]}
                            onChange={(chosen) => of.change({ from: chosen === 'sensor' ? null : chosen })}
                        />
                    </>
                )}
                {(kind === 'macro' || zoom) && (
                    <>
                        {words.greatest} <Figure of={of} name="greatest" label={words.greatestLabel} guess={own('maxMagnification')} />{' '}
                        {words.times}
                    </>
                )}
            </p>
            {!built && (
                <>
                    <div className="pt-2">
                        <OneOf<LensKind>
                            label={words.kind}
                            value={kind}
                            choices={lensKinds}
                            told={(each) => words.kinds[each]}
                            onChange={(lens) =>
                                of.change({
                                    lens: lens === 'usual' ? null : lens,
                                    ...(lens === 'zoom' ? {} : { longestMm: null }),
                                    ...(lens === 'macro' || lens === 'zoom' ? {} : { greatest: null }),
                                })
                            }
                        />
                    </div>
                    {kind !== 'enlarging' && (
                        <p className="pt-2 text-base">
                            {words.made}{' '}
                            <Pick
                                label={words.made}
                                value={of.get('mount') ?? 'own'}
                                choices={Object.entries(words.mounts)}
                                onChange={(mount) => of.change({ mount: mount === 'own' ? null : mount })}
                            />
                        </p>
                    )}
                </>
            )}
            <p className="max-w-[46ch] pt-2 text-sm text-soft">{built ? words.builtIn : words.help}</p>
        </Question>
    );
}

export function WhatBetween({ of }: { of: Questions }) {
    const words = say.between;
    const built = of.get('body') === 'built-in';
    const choices = built ? betweens.filter((each) => each === 'closeUps' || each === 'otherMm') : betweens;
    // What is chosen but has no figure yet stands nowhere in the address.
    const [waiting, setWaiting] = useState<readonly Between[]>([]);
    const chosen = choices.filter((each) => of.get(each) !== null || waiting.includes(each));
    const choose = (next: readonly Between[]) => {
        const on = next.filter((each) => !chosen.includes(each));
        const off = chosen.filter((each) => !next.includes(each));
        setWaiting([...waiting.filter((each) => !off.includes(each)), ...on]);
        of.change({
            ...Object.fromEntries(on.map((each) => [each, begins[each]])),
            ...Object.fromEntries(off.map((each) => [each, null])),
            ...(off.includes('tubes') ? { tube: null } : {}),
            ...(off.includes('closeUps') ? { closeUp: null } : {}),
        });
    };
    const fresh = (each: Between) => waiting.at(-1) === each;
    return (
        <Question number={3} title={words.title}>
            <AnyOf<Between> label={words.label} value={chosen} choices={choices} told={(each) => words.names[each]} onChange={choose} />
            <div className="pt-2 text-base leading-9">
                {chosen.length === 0 && <p className="text-sm text-soft">{words.none}</p>}
                {chosen.includes('tubes') && (
                    <List
                        of={of}
                        name="tubes"
                        use="tube"
                        before={words.tubes}
                        after={words.mm}
                        label={words.tube}
                        told={(mm) => `${digits(mm)} mm`}
                        atOnce={fresh('tubes')}
                    />
                )}
                {chosen.includes('bellows') && <Ends of={of} name="bellows" before={words.bellows} />}
                {chosen.includes('helicoid') && <Ends of={of} name="helicoid" before={words.helicoid} />}
                {chosen.includes('turned') && <p className="text-sm leading-6">{words.turned}</p>}
                {chosen.includes('closeUps') && (
                    <List
                        of={of}
                        name="closeUps"
                        use="closeUp"
                        before={words.closeUps}
                        after={<Term of="dioptres">{words.dioptres}</Term>}
                        label={words.glass}
                        told={(power) => words.plus(digits(power))}
                        atOnce={fresh('closeUps')}
                    />
                )}
                {chosen.includes('otherMm') && (
                    <p>
                        {words.other} <Figure of={of} name="otherMm" label={words.otherLabel} /> {words.otherEnd}
                    </p>
                )}
            </div>
        </Question>
    );
}

/** Several of a kind, and which of them is in use. */
function List(props: {
    of: Questions;
    name: 'tubes' | 'closeUps';
    use: 'tube' | 'closeUp';
    before: string;
    after: ReactNode;
    label: (n: number) => string;
    told: (value: number) => string;
    atOnce: boolean;
}) {
    const { of, name, use } = props;
    const words = say.between;
    const list = numbersIn(of.get(name));
    return (
        <div>
            {props.before}{' '}
            {Array.from({ length: blanksFor(list) }, (_, at) => (
                <span key={at} className="mr-1.5">
                    <LiveBlank
                        label={props.label(at + 1)}
                        value={list[at] ?? null}
                        onChange={(value) => of.change({ [name]: withNumber(list, at, value), [use]: null })}
                        trouble={at === Math.max(0, list.length - 1) ? of.trouble(name) : undefined}
                        atOnce={props.atOnce && at === 0 && list.length === 0}
                    />
                </span>
            ))}
            {props.after}
            {list.length > 1 && (
                <p className="text-sm">
                    <span className="text-soft">{words.inUse}</span>{' '}
                    <Pick
                        label={words.which}
                        value={of.get(use) ?? 'all'}
                        choices={[['all', words.all], ...list.map((each, at) => [String(at), words.alone(props.told(each))] as const)]}
                        onChange={(chosen) => of.change({ [use]: chosen === 'all' ? null : chosen })}
                    />
                </p>
            )}
        </div>
    );
}

/** What has a shortest and a longest. */
function Ends({ of, name, before }: { of: Questions; name: 'bellows' | 'helicoid'; before: string }) {
    const words = say.between;
    const [least, greatest] = numbersIn(of.get(name));
    const set = (ends: readonly (number | null | undefined)[]) =>
        ends.every((end) => typeof end === 'number') && of.change({ [name]: ends.join(',') });
    return (
        <p>
            {before}{' '}
            <LiveBlank label={words.shortest(words.names[name])} value={least ?? null} onChange={(value) => set([value, greatest])} />{' '}
            {words.to}{' '}
            <LiveBlank
                label={words.longest(words.names[name])}
                value={greatest ?? null}
                onChange={(value) => set([least, value])}
                trouble={of.trouble(name)}
            />{' '}
            {words.mm}
        </p>
    );
}
