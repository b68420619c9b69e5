import { useId, useState } from 'react';
import type { PartFields } from '../../api/client';
import { kit as kitWords } from '../../strings/kit';
import { digits } from '../../ui/figures';
import { guessOf, halfWidthOf, jointSpoken, jointTyped, valueAt, withHalfWidth, withValue, type GuideField } from './fields';
import { typed } from '../../ui/typed';
import { Tick, Ticks } from '../../ui/Tick';

interface Props {
    field: GuideField;
    fields: PartFields;
    trouble: string | undefined;
    onChange: (fields: PartFields) => void;
    /** The other parts, for what is kept on what. */
    others: readonly { ref: string; name: string }[];
}

const line = 'w-full border-b-2 border-brass bg-ground px-1.5 py-1 text-sm focus:outline-2 disabled:border-line';

const asText = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');

/** One field of a part: its label, its blank, what it is for, and what is wrong with it. */
export function FieldInput({ field, fields, trouble, onChange, others }: Props) {
    const id = useId();
    const value = valueAt(fields, field.name);
    const set = (next: unknown) => onChange(withValue(fields, field.name, next));
    const half = halfWidthOf(fields, field.name);
    const guess = guessOf(fields, field.name);
    const measurable = field.type === 'number' && !field.name.includes('.');
    const wide = field.type === 'objects' || field.type === 'choices' || field.name === 'note';
    return (
        <div className={`border-b border-line py-2 ${wide ? '' : 'grid grid-cols-[1fr_190px] gap-x-3'}`}>
            <label htmlFor={id} className="pt-1 text-sm">
                {field.label}
                {field.needed && <span className="text-soft"> · {kitWords.kit.needed}</span>}
            </label>
            <div className={wide ? 'py-1' : ''}>
                <div className="flex items-center gap-1">
                    <Blank id={id} field={field} value={value} set={set} trouble={trouble !== undefined} others={others} />
                    {field.unit && <span className="figures text-xs text-soft">{field.unit}</span>}
                </div>
                {guess !== undefined && value !== undefined && (
                    <p className="pt-1 text-xs text-brass">
                        {kitWords.kit.guess(guess > 0 ? `${digits(guess)} ${field.unit}`.trim() : '')}
                    </p>
                )}
                {measurable && value !== undefined && (
                    <Tick
                        className="mt-1 text-xs text-soft"
                        checked={half !== undefined}
                        onChange={(on) => onChange(withHalfWidth(fields, field.name, on ? 0 : undefined))}
                    >
                        <span>{kitWords.kit.measured}</span>
                        {half !== undefined && (
                            <>
                                ±
                                <Number
                                    value={half}
                                    label={kitWords.kit.halfWidth(field.label)}
                                    set={(next) => onChange(withHalfWidth(fields, field.name, typeof next === 'number' ? next : 0))}
                                />
                            </>
                        )}
                    </Tick>
                )}
            </div>
            <p id={`${id}-help`} className="col-span-full pt-1 text-xs text-soft">
                {field.help}
            </p>
            {trouble !== undefined && (
                <p id={`${id}-trouble`} role="alert" className="col-span-full border-l-[3px] border-ink pt-1 pl-2 text-xs">
                    {field.label} {trouble}.
                </p>
            )}
        </div>
    );
}

interface BlankProps {
    id: string;
    field: GuideField;
    value: unknown;
    set: (value: unknown) => void;
    trouble: boolean;
    others: Props['others'];
}

function Blank({ id, field, value, set, trouble, others }: BlankProps) {
    const [text, setText] = useState<string | null>(null);
    const told = { 'aria-describedby': trouble ? `${id}-trouble` : `${id}-help`, 'aria-invalid': trouble };
    if (field.name === 'marriedTo') {
        return (
            <select
                id={id}
                {...told}
                className={line}
                value={typeof value === 'string' ? value : ''}
                onChange={(event) => set(event.target.value || undefined)}
            >
                <option value="">{kitWords.kit.nothing}</option>
                {others.map((other) => (
                    <option key={other.ref} value={other.ref}>
                        {other.name}
                    </option>
                ))}
            </select>
        );
    }
    switch (field.type) {
        case 'flag':
            return (
                <select
                    id={id}
                    {...told}
                    className={line}
                    value={value === true ? 'yes' : value === false ? 'no' : ''}
                    onChange={(event) => set(event.target.value === '' ? undefined : event.target.value === 'yes')}
                >
                    <option value="">{kitWords.kit.notKnown}</option>
                    <option value="yes">{kitWords.kit.yes}</option>
                    <option value="no">{kitWords.kit.no}</option>
                </select>
            );
        case 'choice':
            return (
                <select
                    id={id}
                    {...told}
                    className={line}
                    value={typeof value === 'string' ? value : ''}
                    onChange={(event) => set(event.target.value || undefined)}
                >
                    <option value="">{kitWords.kit.notKnown}</option>
                    {field.words.map((word) => (
                        <option key={word}>{word}</option>
                    ))}
                </select>
            );
        case 'choices': {
            const chosen = Array.isArray(value) ? value.map(String) : [];
            return (
                <span id={id} role="group" aria-label={field.label} className="flex flex-wrap gap-3 text-sm">
                    <Ticks words={field.words.map((word) => [word, word] as const)} chosen={chosen} onChange={set} />
                </span>
            );
        }
        case 'joint':
            return (
                <input
                    id={id}
                    {...told}
                    list="joints"
                    className={`${line} figures`}
                    autoComplete="off"
                    value={text ?? (typeof value === 'string' ? jointSpoken(value) : '')}
                    onChange={(event) => {
                        setText(event.target.value);
                        set(jointTyped(event.target.value));
                    }}
                    onBlur={() => setText(null)}
                />
            );
        case 'joints': {
            const joints = Array.isArray(value) ? value.map(String) : [];
            return (
                <input
                    id={id}
                    {...told}
                    className={`${line} figures`}
                    value={text ?? joints.map(jointSpoken).join(', ')}
                    onChange={(event) => {
                        setText(event.target.value);
                        const next = event.target.value
                            .split(',')
                            .map(jointTyped)
                            .filter((joint) => joint !== undefined);
                        set(next.length > 0 ? next : undefined);
                    }}
                    onBlur={() => setText(null)}
                />
            );
        }
        case 'objects':
            return <Rows name={field.name} label={field.label} value={value} set={set} />;
        case 'text':
            return field.name === 'note' ? (
                <textarea
                    id={id}
                    {...told}
                    rows={2}
                    className={line}
                    value={asText(value)}
                    onChange={(event) => set(event.target.value || undefined)}
                />
            ) : (
                <input
                    id={id}
                    {...told}
                    className={line}
                    autoComplete="off"
                    value={asText(value)}
                    onChange={(event) => set(event.target.value || undefined)}
                />
            );
        default:
            return <Number id={id} told={told} value={value} label={field.label} set={set} />;
    }
}

interface NumberProps {
    id?: string;
    told?: Record<string, unknown>;
    value: unknown;
    label: string;
    set: (value: number | string | undefined) => void;
}

/** A number as it is typed: a half-typed one ("1." or "-") is left alone until it is one. */
function Number({ id, told, value, label, set }: NumberProps) {
    const [text, setText] = useState<string | null>(null);
    return (
        <input
            id={id}
            {...told}
            aria-label={id === undefined ? label : undefined}
            inputMode="decimal"
            autoComplete="off"
            className={`${line} figures ${id === undefined ? 'w-14!' : ''}`}
            value={text ?? asText(value)}
            onChange={(event) => {
                setText(event.target.value);
                set(typed(event.target.value));
            }}
            onBlur={() => setText(null)}
        />
    );
}

/** What lists within a part are made of: enough for a form; whatever else a file has there is kept. */
const rowsOf: Record<string, readonly (readonly [string, string])[]> = {
    stations: [
        ['focalLengthMm', 'f, mm'],
        ['minFocusMm', 'closest, mm'],
        ['maxMagnification', 'greatest ×'],
        ['frontRimMm', 'to rim, mm'],
        ['aperture.widest', 'widest f/'],
    ],
    marks: [
        ['focus', 'ring 0–1'],
        ['distanceMm', 'distance, mm'],
        ['magnification', '×'],
    ],
    modes: [
        ['name', 'name'],
        ['widthMm', 'width, mm'],
        ['heightMm', 'height, mm'],
        ['columns', 'pixels'],
        ['rows', 'by'],
    ],
};

function Rows({ name, label, value, set }: { name: string; label: string; value: unknown; set: (value: unknown) => void }) {
    const rows: PartFields[] = Array.isArray(value) ? (value as PartFields[]) : [];
    const columns = rowsOf[name] ?? [];
    const change = (at: number, row: PartFields) => set(rows.map((each, i) => (i === at ? row : each)));
    return (
        <div className="w-full">
            {rows.length > 0 && (
                <table className="w-full text-xs" aria-label={label}>
                    <thead>
                        <tr className="text-left text-soft">
                            {columns.map(([, head]) => (
                                <th key={head} scope="col" className="font-normal">
                                    {head}
                                </th>
                            ))}
                            <th>
                                <span className="sr-only">{kitWords.kit.dropRow}</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row, at) => (
                            // Rows have no name of their own; their place is what they are.
                            <tr key={at}>
                                {columns.map(([column, head]) => (
                                    <td key={column} className="pr-1">
                                        {column === 'name' ? (
                                            <input
                                                aria-label={`${head} ${at + 1}`}
                                                className={line}
                                                value={asText(row['name'])}
                                                onChange={(event) => change(at, withValue(row, 'name', event.target.value || undefined))}
                                            />
                                        ) : (
                                            <Number
                                                label={`${head} ${at + 1}`}
                                                value={valueAt(row, column)}
                                                set={(next) => change(at, withValue(row, column, next))}
                                            />
                                        )}
                                    </td>
                                ))}
                                <td>
                                    <button
                                        type="button"
                                        aria-label={`${kitWords.kit.dropRow} ${at + 1}`}
                                        className="px-1 text-soft hover:text-ink"
                                        onClick={() => set(rows.filter((_, i) => i !== at))}
                                    >
                                        ×
                                    </button>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <button type="button" className="mt-1 text-xs text-beam underline underline-offset-2" onClick={() => set([...rows, {}])}>
                {kitWords.kit.addRow}
            </button>
        </div>
    );
}
