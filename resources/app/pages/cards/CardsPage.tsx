import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, reasonOf, type CardName, type CardQuery, type Schema } from '../../api/client';
import { keys, rigsChanged } from '../../api/queries';
import { digits, fNumber, lengthDigits, magnification, stops, type Units } from '../../ui/figures';
import { Bar } from '../../shell/Bar';
import { usePreferences } from '../../shell/preferences';
import { strings } from '../../strings/index';
import { cards as cardsWords } from '../../strings/cards';
import { compare as compareWords } from '../../strings/compare';
import { find as findWords } from '../../strings/find';
import { Button } from '../../ui/Button';
import { Tick } from '../../ui/Tick';
import { KitChoice } from '../../kit/KitChoice';
import { NextStep } from '../../kit/NextStep';
import { useKit } from '../../kit/useKit';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Term, type Term as TermName } from '../../ui/Term';
import { useAddress } from '../../ui/useAddress';
import { zoomsIn } from './zoomsIn';

const say = cardsWords.cards;
const kinds: readonly CardName[] = ['close-ups', 'ladder', 'draws', 'lenses'];

/** Tables for the bag, one page each: chosen here, printed or taken as CSV. */
export default function CardsPage({ person }: { person: Schema['Person'] }) {
    const { units } = usePreferences();
    const { kit } = useKit();
    const { params, change } = useAddress();
    const set = (name: string, value: string | null) => change({ [name]: value });
    const kind = kinds.find((each) => each === params.get('card')) ?? 'ladder';
    const of = (...names: string[]) => kit?.parts.filter(({ part }) => names.includes(part.kind)).map(({ part }) => part) ?? [];
    const cameras = of('camera');
    const lenses = of('lens');
    const closeUps = of('close-up-lens');
    const spacers = of('bellows', 'helicoid');
    const withParts = of('tube', 'bellows', 'helicoid', 'close-up-lens');
    const chosen = (name: string, parts: Schema['PartView'][], first = true) =>
        parts.find((part) => part.id === Number(params.get(name))) ?? (first ? parts[0] : undefined);
    const camera = chosen('camera', cameras);
    const lens = chosen('lens', lenses);
    const closeUp = chosen('closeUp', closeUps, false);
    const spacer = chosen('spacer', spacers);
    const every = params.get('closeUp') === 'every';
    const part = chosen('part', withParts);
    const reversed = params.get('reversed') === '1';
    const pairs = params.get('pairs') === '1';
    const isZoom = lens?.silhouette !== undefined && /[–-]/.test(lens.measure);
    const zooms = zoomsIn(params.get('zooms') ?? '');
    const ready =
        camera !== undefined &&
        lens !== undefined &&
        (kind !== 'draws' || spacer !== undefined) &&
        (kind !== 'lenses' || part !== undefined);
    const query: CardQuery = {
        camera: camera?.id ?? 0,
        lens: lens?.id ?? 0,
        ...(kind === 'ladder' && closeUp && { closeUp: closeUp.id }),
        ...(kind === 'draws' && spacer && { spacer: spacer.id }),
        ...((kind === 'draws' || kind === 'ladder') && reversed && { reversed: 1 as const }),
        ...(kind === 'ladder' && every && { every: 1 as const }),
        ...(kind === 'close-ups' && pairs && { pairs: 1 as const }),
        ...((kind === 'close-ups' || kind === 'ladder') && zooms !== '' && { zooms }),
        ...(kind === 'lenses' && part && { part: part.id }),
    };
    const card = useQuery({
        queryKey: keys.card(kit, kind, query),
        queryFn: () => api.card(kit?.id ?? 0, kind, query),
        enabled: kit !== undefined && ready,
        retry: false,
    });
    const navigate = useNavigate();
    const queries = useQueryClient();
    const open = useMutation({
        mutationFn: (row: Schema['CardRow']) => api.setUp(kit?.id ?? 0, { camera: row.camera ?? 0, parts: row.parts }),
        onSuccess: (rig) => {
            queries.setQueryData(keys.rig(rig.id), rig);
            rigsChanged(queries);
            void navigate(`/bench/${rig.id}`);
        },
    });
    const compare = useMutation({
        mutationFn: (rows: readonly Schema['CardRow'][]) =>
            api.setUpToCompare(kit?.id ?? 0, {
                rigs: rows.map((row) => ({ camera: row.camera ?? 0, parts: row.parts, name: row.label.slice(0, 110) })),
            }),
        onSuccess: ({ rigs }) => void navigate(`/compare?rigs=${rigs.join(',')}`),
    });
    // What the core set up, and no more than can be compared.
    const rungs = card.data?.rows.filter((row) => row.camera !== null && row.parts.length > 0).slice(0, 64) ?? [];
    return (
        <div className="flex min-h-dvh flex-col">
            <Bar person={person}>{null}</Bar>
            <main id="main" className="w-full max-w-[1240px] px-5 py-3">
                <div className="no-print flex flex-wrap items-end gap-x-5 gap-y-2 border-b border-line pb-3">
                    <Choice
                        label={say.which}
                        value={kind}
                        onChange={(value) => set('card', value)}
                        choices={kinds.map((each) => [each, say.kinds[each]])}
                    />
                    <Choice
                        label={say.camera}
                        value={String(camera?.id ?? '')}
                        onChange={(value) => set('camera', value)}
                        choices={cameras.map(named)}
                    />
                    {kind === 'lenses' ? (
                        <Choice
                            label={say.withPart}
                            value={String(part?.id ?? '')}
                            onChange={(value) => set('part', value)}
                            choices={withParts.map(named)}
                        />
                    ) : (
                        <Choice
                            label={say.lens}
                            value={String(lens?.id ?? '')}
                            onChange={(value) => set('lens', value)}
                            choices={lenses.map(named)}
                        />
                    )}
                    {isZoom && (kind === 'close-ups' || kind === 'ladder') && (
                        <label className="text-xs text-soft">
                            {say.zooms}
                            <input
                                className="figures mt-0.5 block w-32 border border-line bg-plate px-2 py-1.5 text-sm text-ink"
                                placeholder={say.zoomsHint}
                                defaultValue={params.get('zooms') ?? ''}
                                onChange={(event) => set('zooms', event.target.value === '' ? null : event.target.value)}
                            />
                        </label>
                    )}
                    {kind === 'close-ups' && (
                        <Tick checked={pairs} onChange={(on) => set('pairs', on ? '1' : null)} className="pb-1.5 text-sm">
                            {say.pairs}
                        </Tick>
                    )}
                    {kind === 'ladder' && (
                        <Choice
                            label={say.closeUp}
                            value={every ? 'every' : String(closeUp?.id ?? '')}
                            onChange={(value) => set('closeUp', value === '' ? null : value)}
                            choices={[['', say.noCloseUp], ['every', say.everyCloseUp], ...closeUps.map(named)]}
                        />
                    )}
                    {kind === 'draws' && (
                        <Choice
                            label={say.spacer}
                            value={String(spacer?.id ?? '')}
                            onChange={(value) => set('spacer', value)}
                            choices={spacers.map(named)}
                        />
                    )}
                    {(kind === 'draws' || kind === 'ladder') && (
                        <Tick checked={reversed} onChange={(on) => set('reversed', on ? '1' : null)} className="pb-1.5 text-sm">
                            {say.reversed}
                        </Tick>
                    )}
                    <div className="ml-auto flex items-center gap-2">
                        <KitChoice />
                        <Button disabled={rungs.length < 2 || compare.isPending} onClick={() => compare.mutate(rungs)}>
                            {compareWords.compare.openLadder}
                        </Button>
                        <Button disabled={!card.data} onClick={() => print()}>
                            {say.print}
                        </Button>
                        <Button disabled={!card.data} onClick={() => location.assign(api.cardAddress(kit?.id ?? 0, kind, query))}>
                            {say.csv}
                        </Button>
                        <Link to="/find" className="px-2 py-1.5 text-sm text-soft hover:text-ink">
                            {say.back}
                        </Link>
                    </div>
                </div>
                <h1 className={`pt-3 text-lg font-semibold ${card.data ? '' : 'no-print'}`}>{card.data?.title ?? say.title}</h1>
                {kit && !ready && (
                    <EmptyPlace title={say.emptyTitle} text={say.none} example="card" caption={strings.next.card}>
                        <NextStep kit={kit} then="part" />
                    </EmptyPlace>
                )}
                {card.isError && (
                    <p role="alert" className="my-2 border-l-[3px] border-ink pl-2">
                        {reasonOf(card.error)}
                    </p>
                )}
                {[open, compare].map(
                    ({ error }, at) =>
                        error !== null && (
                            <p key={at} role="alert" className="my-2 border-l-[3px] border-ink pl-2">
                                {reasonOf(error)}
                            </p>
                        ),
                )}
                {card.data && (
                    <CardTable card={card.data} camera={camera?.name ?? ''} units={units} onOpen={open.mutate} busy={open.isPending} />
                )}
            </main>
        </div>
    );
}

const named = (part: Schema['PartView']): [string, string] => [String(part.id), part.name];

interface ChoiceProps {
    label: string;
    value: string;
    choices: readonly (readonly [string, string])[];
    onChange: (value: string) => void;
}

function Choice({ label, value, choices, onChange }: ChoiceProps) {
    return (
        <label className="text-xs text-soft">
            {label}
            <select
                className="mt-0.5 block border border-line bg-plate px-2 py-1.5 text-sm text-ink"
                value={value}
                onChange={(event) => onChange(event.target.value)}
            >
                {choices.map(([each, text]) => (
                    <option key={each} value={each}>
                        {text}
                    </option>
                ))}
            </select>
        </label>
    );
}

interface TableProps {
    card: Schema['CardView'];
    camera: string;
    units: Units;
    onOpen: (row: Schema['CardRow']) => void;
    busy: boolean;
}

function CardTable({ card, camera, units, onOpen, busy }: TableProps) {
    return (
        <>
            <p className="pb-2 text-sm text-soft">{camera}</p>
            <div className="slim-scroll overflow-x-auto">
                <table role="table" className="stacks text-sm">
                    <thead>
                        <tr className="border-b border-ink align-bottom">
                            <th scope="col" className="sticky left-0 min-w-32 bg-ground py-1.5 pr-4 text-left font-semibold">
                                {card.first}
                            </th>
                            {card.columns.map((column, at) => (
                                <th
                                    key={at}
                                    scope="col"
                                    className={`max-w-[120px] px-3 py-1.5 font-semibold ${column.unit === 'text' ? 'text-left' : 'text-right'}`}
                                >
                                    {termOf[column.name] === undefined ? (
                                        column.name
                                    ) : (
                                        <Term of={termOf[column.name] ?? 'slice'}>{column.name}</Term>
                                    )}
                                    {column.unit === 'mm' && <span className="block font-normal text-soft">{units}</span>}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {card.rows.map((row, at) => (
                            <tr key={at} role="row" className="border-b border-line">
                                <th
                                    scope="row"
                                    role="rowheader"
                                    className="sticky left-0 min-w-32 bg-ground py-1 pr-4 text-left font-normal"
                                >
                                    {row.camera === null ? (
                                        row.label
                                    ) : (
                                        <button
                                            type="button"
                                            className="text-left hover:underline"
                                            title={findWords.find.open}
                                            disabled={busy}
                                            onClick={() => onOpen(row)}
                                        >
                                            {row.label}
                                        </button>
                                    )}
                                </th>
                                {row.values.map((value, k) => (
                                    <td
                                        key={k}
                                        role="cell"
                                        data-head={`${card.columns[k]?.name ?? ''}${card.columns[k]?.unit === 'mm' ? `, ${units}` : ''}`}
                                        className={`px-3 py-1 ${card.columns[k]?.unit === 'text' ? 'text-xs text-soft' : 'figures text-right whitespace-nowrap'}`}
                                    >
                                        {cell(value, card.columns[k]?.unit ?? 'text', units)}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            {card.notes.map((note) => (
                <p key={note} className="pt-2 text-sm text-soft">
                    {note}
                </p>
            ))}
        </>
    );
}

/** Heads of cards that are terms of the field. */
const termOf: Readonly<Record<string, TermName>> = {
    magnification: 'magnification',
    field: 'field',
    'working distance': 'workingDistance',
    'subject distance': 'subjectDistance',
    slice: 'slice',
    'effective aperture': 'effectiveAperture',
    'stops lost': 'stopsLost',
};

function cell(value: number | string | null, unit: string, units: Units): string {
    if (value === null) return '—';
    // A unit stays with its number.
    if (typeof value === 'string') return value.replace(/[\u2009 ](?=mm)/g, '\u202f');
    switch (unit) {
        case 'mm':
            return lengthDigits(value, units);
        case 'x':
            return magnification(value);
        case 'stops':
            return stops(value).replace(/ stops?$/, '');
        case 'f':
            return fNumber(value);
        default:
            return digits(value);
    }
}
