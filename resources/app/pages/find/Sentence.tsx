import { DropdownMenu } from 'radix-ui';
import { useEffect, useId, useState } from 'react';
import { usePreferences } from '../../shell/preferences';
import { find as findWords } from '../../strings/find';
import { typedNumber } from '../../ui/typed';
import { Menu, MenuItem } from '../../ui/Menu';
import { Pick } from '../../ui/Pick';
import { Term } from '../../ui/Term';
import {
    type Blank,
    type Clause,
    clauses,
    emptied,
    fromBlank,
    inBlank,
    isYes,
    limits,
    type PartBlank,
    partClauses,
    targetOf,
    targets,
    type Wish,
    yesClauses,
} from './wish';

interface Props {
    wish: Wish;
    onChange: (wish: Wish) => void;
    /** What the server said of a blank. */
    troubles: Readonly<Record<string, string>>;
    /** What the kit has to choose from. */
    parts: readonly Choice[];
    cameras: readonly Choice[];
}

/** A thing of the kit by its row and name. */
export type Choice = readonly [number, string];

/** The wish, as a sentence with blanks. */
export function Sentence({ wish, onChange, troubles, parts, cameras }: Props) {
    const [more, setMore] = useState<readonly string[]>([]);
    const [picked, setPicked] = useState<PartBlank | null>(null);
    const [opens, setOpens] = useState<Blank | null>(null);
    const target = opens !== null && wish.numbers[targetOf(wish).name] === undefined ? opens : targetOf(wish);
    const say = findWords.find;

    const put = (each: Blank, value: number | null) => {
        const numbers = emptied(wish.numbers, [each]);
        onChange({ ...wish, numbers: value === null ? numbers : { ...numbers, [each.name]: value } });
    };
    const open = (blank: Blank) => {
        setOpens(blank);
        onChange({ ...wish, numbers: emptied(wish.numbers, targets) });
    };
    const stands = (clause: Clause) =>
        isYes(clause.name) ? wish[clause.name] : clause.blanks.some(({ name }) => wish.numbers[name] !== undefined);
    const shown = clauses.filter((clause) => more.includes(clause.name) || stands(clause));
    const choices: Record<PartBlank, readonly Choice[]> = { with: parts, without: parts, cameras };
    const named = partClauses.filter((clause) => picked === clause.name || wish.parts[clause.name].length > 0);
    const add = (clause: Clause) => {
        if (isYes(clause.name)) onChange({ ...wish, [clause.name]: true });
        else setMore([...more, clause.name]);
    };
    const drop = (clause: Clause) => {
        setMore(more.filter((name) => name !== clause.name));
        onChange({
            ...wish,
            numbers: emptied(wish.numbers, clause.blanks),
            ...(isYes(clause.name) ? { [clause.name]: false } : {}),
        });
    };
    const blank = (each: Blank) => (
        <BlankInput
            key={each.name}
            blank={each}
            value={wish.numbers[each.name]}
            trouble={troubles[each.name]}
            onChange={(value) => put(each, value)}
        />
    );

    return (
        <form
            aria-label={say.wish}
            className="text-lg leading-[38px] max-sm:text-base max-sm:leading-8"
            onSubmit={(event) => event.preventDefault()}
        >
            <Pick
                value={target.name}
                choices={targets.map((each) => [each.name, each.before] as const)}
                onChange={(name) => open(targets.find((each) => each.name === name) ?? target)}
            />{' '}
            {blank({ ...target, before: '' })}
            {limits.map((each) => (
                <span key={each.name}>, {blank(each)}</span>
            ))}
            ,{' '}
            <Pick
                value={wish.automatic === null ? 'either' : wish.automatic ? 'with' : 'without'}
                choices={[
                    ['either', 'with or without'],
                    ['with', 'with'],
                    ['without', 'without'],
                ]}
                onChange={(value) => onChange({ ...wish, automatic: value === 'either' ? null : value === 'with' })}
            />{' '}
            working the aperture from the camera,{' '}
            <Pick
                value={wish.support ?? 'anywhere'}
                choices={[
                    ['anywhere', 'wherever'],
                    ['table', 'on the table'],
                    ['hand', 'in the hand'],
                    ['braced', 'leaning on something'],
                ]}
                onChange={(value) => onChange({ ...wish, support: value === 'anywhere' ? null : value })}
            />
            {shown.map((clause) => (
                <span key={clause.name} className="whitespace-nowrap">
                    ,{' '}
                    {isYes(clause.name)
                        ? yesClauses[clause.name]
                        : clause.blanks.map((each, at) => (
                              <span key={each.name}>
                                  {at > 0 && ' '}
                                  {blank(each)}
                              </span>
                          ))}
                    <button
                        type="button"
                        className="px-1 text-sm text-soft hover:text-ink"
                        aria-label={say.drop(clause.title)}
                        onClick={() => drop(clause)}
                    >
                        ×
                    </button>
                </span>
            ))}
            {named.map((clause) => (
                <span key={clause.name}>
                    , {clause.before}{' '}
                    <PickMany
                        label={clause.title}
                        chosen={wish.parts[clause.name]}
                        choices={choices[clause.name]}
                        opened={picked === clause.name}
                        onChange={(ids) => onChange({ ...wish, parts: { ...wish.parts, [clause.name]: ids } })}
                    />
                    <button
                        type="button"
                        className="px-1 text-sm text-soft hover:text-ink"
                        aria-label={say.drop(clause.title)}
                        onClick={() => {
                            setPicked(null);
                            onChange({ ...wish, parts: { ...wish.parts, [clause.name]: [] } });
                        }}
                    >
                        ×
                    </button>
                </span>
            ))}
            .
            {shown.length + named.length < clauses.length + partClauses.length && (
                <span className="ml-1 inline-block align-baseline leading-none">
                    <Menu label={say.and}>
                        {clauses
                            .filter((clause) => !shown.includes(clause))
                            .map((clause) => (
                                <MenuItem key={clause.name} onSelect={() => add(clause)}>
                                    {clause.title}
                                </MenuItem>
                            ))}
                        {partClauses
                            .filter((clause) => !named.includes(clause) && choices[clause.name].length > 0)
                            .map((clause) => (
                                <MenuItem key={clause.name} onSelect={() => setPicked(clause.name)}>
                                    {clause.title}
                                </MenuItem>
                            ))}
                    </Menu>
                </span>
            )}
        </form>
    );
}

interface BlankProps {
    blank: Blank;
    value: number | undefined;
    trouble: string | undefined;
    onChange: (value: number | null) => void;
}

/** One blank: what is typed is kept as typed, and asked as soon as it is a number. */
function BlankInput({ blank, value, trouble, onChange }: BlankProps) {
    const { units } = usePreferences();
    const id = useId();
    const [text, setText] = useState<string | null>(null);
    const kept = value === undefined ? '' : inBlank(value, blank.measure, units);
    const shown = text ?? kept;
    const label = [blank.before, blank.after(units)].filter(Boolean).join(' … ');
    return (
        <span className="whitespace-nowrap">
            {blank.before !== '' && `${blank.before} `}
            <input
                id={id}
                inputMode="decimal"
                autoComplete="off"
                aria-label={label}
                aria-invalid={trouble !== undefined}
                aria-describedby={trouble === undefined ? undefined : `${id}-trouble`}
                className="figures border-b-2 border-brass bg-transparent px-1 text-center text-brass outline-offset-4 aria-invalid:border-ink"
                style={{ width: `${Math.max(2, shown.length) + 1}ch` }}
                value={shown}
                placeholder="–"
                onChange={(event) => {
                    setText(event.target.value);
                    const number = typedNumber(event.target.value);
                    if (event.target.value.trim() === '') onChange(null);
                    else if (number !== null) onChange(fromBlank(number, blank.measure, units));
                }}
                onBlur={() => setText(null)}
            />
            {blank.name === 'mostStopsLost' ? (
                <>
                    {' '}
                    <Term of="stopsLost">{blank.after(units)}</Term>
                </>
            ) : (
                blank.after(units) !== '' && ` ${blank.after(units)}`
            )}
            {trouble !== undefined && (
                <span id={`${id}-trouble`} role="alert" className="ml-2 border-l-[3px] border-ink pl-1.5 text-sm">
                    {trouble}
                </span>
            )}
        </span>
    );
}

interface PickManyProps {
    label: string;
    chosen: readonly number[];
    choices: readonly Choice[];
    /** Whether the clause has just been added, and its list is to be open. */
    opened: boolean;
    onChange: (ids: number[]) => void;
}

/** Names of the kit's things, as many as are ticked. */
function PickMany({ label, chosen, choices, opened, onChange }: PickManyProps) {
    const names = chosen.map((id) => choices.find(([each]) => each === id)?.[1] ?? findWords.find.gone);
    const [open, setOpen] = useState(false);
    useEffect(() => {
        if (!opened) return;
        // The menu that it was chosen from takes the focus back as it closes.
        const timer = setTimeout(() => setOpen(true), 80);
        return () => clearTimeout(timer);
    }, [opened]);
    return (
        <DropdownMenu.Root modal={false} open={open} onOpenChange={setOpen}>
            <DropdownMenu.Trigger
                aria-label={`${label}: ${names.length === 0 ? findWords.find.nothingChosen : names.join(', ')}`}
                className="border-b-2 border-dotted border-verdigris text-verdigris"
            >
                {names.length === 0 ? '…' : names.join(' + ')}
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="start"
                    sideOffset={6}
                    className="slim-scroll z-20 max-h-[60vh] min-w-[200px] overflow-auto border border-ink bg-plate py-1"
                >
                    {choices.map(([id, name]) => (
                        <DropdownMenu.CheckboxItem
                            key={id}
                            checked={chosen.includes(id)}
                            onSelect={(event) => event.preventDefault()}
                            onCheckedChange={(on) => onChange(on ? [...chosen, id] : chosen.filter((each) => each !== id))}
                            className="flex cursor-pointer gap-2 px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-ground data-[highlighted]:shadow-[inset_3px_0_0_var(--brass)] data-[state=checked]:font-semibold"
                        >
                            <span aria-hidden="true" className="w-3">
                                {chosen.includes(id) ? '✓' : ''}
                            </span>
                            {name}
                        </DropdownMenu.CheckboxItem>
                    ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}
