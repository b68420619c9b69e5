import { kindWords } from '../../ui/figures';
import { useState } from 'react';
import { reasonOf, type KitPart } from '../../api/client';
import { kit as kitWords } from '../../strings/kit';
import { Button } from '../../ui/Button';
import { typed } from '../../ui/typed';
import { withValue } from './fields';

interface Props {
    parts: KitPart[];
    currency: string | null;
    chosen: number | null;
    onChoose: (part: number) => void;
    onChange: (part: KitPart, fields: KitPart['fields']) => Promise<unknown>;
}

const PAGE = 50;

type Column = 'name' | 'kind' | 'measure' | 'rear' | 'front' | 'count' | 'massG' | 'price' | 'note';
const columns: Column[] = ['name', 'kind', 'measure', 'rear', 'front', 'count', 'massG', 'price', 'note'];
const numeric: ReadonlySet<Column> = new Set(['count', 'massG', 'price']);
const editable: ReadonlySet<Column> = new Set(['name', 'count', 'massG', 'price', 'note']);

function cellOf(each: KitPart, column: Column): string | number | null {
    switch (column) {
        case 'massG':
        case 'price':
        case 'note':
            return each[column];
        default:
            return each.part[column];
    }
}

/** The kit as a table: sort by a heading, change a cell where it stands. */
export function PartTable({ parts, currency, chosen, onChoose, onChange }: Props) {
    const [sort, setSort] = useState<{ by: Column; down: boolean } | null>(null);
    const [pages, setPages] = useState(1);
    const sorted = sort
        ? [...parts].sort((a, b) => {
              const one = cellOf(a, sort.by);
              const other = cellOf(b, sort.by);
              // What is not known comes last, whichever way.
              if (one === null || other === null) return one === other ? 0 : one === null ? 1 : -1;
              const order =
                  typeof one === 'number' && typeof other === 'number'
                      ? one - other
                      : String(one).localeCompare(String(other), 'en', { numeric: true });
              return sort.down ? -order : order;
          })
        : parts;
    const shown = sorted.slice(0, pages * PAGE);
    return (
        <div className="slim-scroll overflow-x-auto pt-3">
            <table role="table" className="stacks sorts w-full border-collapse text-sm">
                <thead>
                    <tr className="border-b-2 border-ink text-left">
                        {columns.map((column) => (
                            <th
                                key={column}
                                scope="col"
                                className={`py-1 font-semibold whitespace-nowrap ${numeric.has(column) ? 'px-3 text-right' : editable.has(column) ? 'px-3' : 'px-2'}`}
                                aria-sort={sort?.by === column ? (sort.down ? 'descending' : 'ascending') : 'none'}
                            >
                                <button
                                    type="button"
                                    onClick={() => setSort((now) => ({ by: column, down: now?.by === column && !now.down }))}
                                >
                                    {kitWords.kit.columns[column]}
                                    {column === 'price' && currency !== null && ` (${currency})`}
                                    {sort?.by === column && (
                                        <span aria-hidden="true" className="ml-1 text-brass">
                                            {sort.down ? '↓' : '↑'}
                                        </span>
                                    )}
                                </button>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {shown.map((each) => (
                        <tr key={each.part.id} role="row" className={`border-b border-line ${each.part.id === chosen ? 'bg-plate' : ''}`}>
                            {columns.map((column) => (
                                <td
                                    key={column}
                                    role="cell"
                                    data-head={kitWords.kit.columns[column]}
                                    className={`px-2 py-0.5 ${numeric.has(column) ? 'figures text-right' : ''}`}
                                >
                                    {editable.has(column) ? (
                                        <Cell
                                            each={each}
                                            column={column}
                                            onChange={(fields) => onChange(each, fields)}
                                            onChoose={() => onChoose(each.part.id)}
                                        />
                                    ) : (
                                        <span
                                            className={`whitespace-nowrap ${column === 'measure' ? 'figures' : column === 'kind' ? 'text-soft' : 'text-beam'}`}
                                        >
                                            {column === 'kind' ? kindWords(each.part.kind) : cellOf(each, column)}
                                        </span>
                                    )}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
            {shown.length < sorted.length && (
                <p className="py-3">
                    <Button onClick={() => setPages(pages + 1)}>{kitWords.kit.more(sorted.length - shown.length)}</Button>
                </p>
            )}
        </div>
    );
}

interface CellProps {
    each: KitPart;
    column: Column;
    onChange: (fields: KitPart['fields']) => Promise<unknown>;
    onChoose: () => void;
}

function Cell({ each, column, onChange, onChoose }: CellProps) {
    const [trouble, setTrouble] = useState<string | null>(null);
    const value = cellOf(each, column);
    const save = (text: string) => {
        const next = numeric.has(column) ? typed(text) : text.trim() || undefined;
        if ((next ?? null) === (value ?? null) || (column === 'count' && next === undefined)) return;
        setTrouble(null);
        onChange(withValue(each.fields, column, next)).catch((error: unknown) => setTrouble(reasonOf(error)));
    };
    return (
        <>
            <input
                // A part that changed elsewhere shows its new value.
                key={`${each.version}`}
                defaultValue={value ?? ''}
                aria-label={`${kitWords.kit.columns[column]}, ${each.part.name}`}
                aria-invalid={trouble !== null}
                inputMode={numeric.has(column) ? 'decimal' : 'text'}
                onFocus={onChoose}
                onBlur={(event) => save(event.target.value)}
                onKeyDown={(event) => {
                    if (event.key === 'Enter') event.currentTarget.blur();
                    if (event.key === 'Escape') {
                        event.currentTarget.value = String(value ?? '');
                        event.currentTarget.blur();
                    }
                }}
                className={`w-full border-b border-transparent bg-transparent px-1 py-0.5 hover:border-line focus:border-brass focus:bg-plate focus:outline-none ${
                    numeric.has(column) ? 'min-w-14 text-right' : column === 'name' ? 'min-w-36 font-semibold' : 'min-w-32'
                }`}
            />
            {trouble !== null && (
                <span role="alert" className="block text-xs whitespace-nowrap">
                    {trouble}
                </span>
            )}
        </>
    );
}
