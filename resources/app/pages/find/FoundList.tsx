import { memo, useState, type KeyboardEvent } from 'react';
import type { Schema } from '../../api/client';
import { digits, length, lengthDigits, magnification, stops, type Units } from '../../ui/figures';
import { find as findWords } from '../../strings/find';
import { commonScale, rigOutline } from '../../drawing/rigOutline';

type Rig = Schema['FoundRig'];

const drawnWidth = 250;
const drawnHeight = 46;

interface Props {
    rows: readonly Rig[];
    units: Units;
    label: string;
    /** Whether what was wanted is a field: then the magnification is said too. */
    pointed: number | null;
    onPoint: (row: number | null) => void;
    onOpen: (rig: Rig) => void;
    busy: boolean;
    /** Keys of the rigs that lie side by side. */
    ticked?: readonly string[];
    onTick?: (rig: Rig) => void;
    /** What stands here was asked before: it is seen through until the new answer comes. */
    stale?: boolean;
}

/** Rigs under each other, drawn to one scale with their subjects in line. Enter sets one up on the bench. */
export const FoundList = memo(function FoundList({
    rows,
    units,
    label,
    pointed,
    onPoint,
    onOpen,
    busy,
    ticked,
    onTick,
    stale = false,
}: Props) {
    const scale = commonScale(rows, drawnWidth, drawnHeight);
    // On a small screen only the first few are told whole; the others in a line each, until one is asked for.
    const [whole, setWhole] = useState<readonly string[]>([]);
    const walk = (event: KeyboardEvent<HTMLElement>) => {
        const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
        if (by === 0) return;
        const buttons = [...event.currentTarget.querySelectorAll<HTMLButtonElement>('button[data-row]')];
        const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
        event.preventDefault();
        buttons[Math.max(0, Math.min(buttons.length - 1, at + by))]?.focus();
    };
    return (
        <ol aria-label={label} onKeyDown={walk} className={`list-none ${stale ? 'opacity-40' : ''}`}>
            {rows.map((rig, at) => {
                const brief = at >= toldWhole && !whole.includes(rigKey(rig));
                return (
                    <li key={at} className="relative border-b border-line">
                        {onTick && (
                            <input
                                type="checkbox"
                                className={`absolute left-1.5 z-10 size-4 accent-[var(--brass)] ${brief ? 'top-14 max-sm:top-9' : 'top-14'}`}
                                aria-label={findWords.find.tick(rig.title)}
                                checked={ticked?.includes(rigKey(rig)) ?? false}
                                onChange={() => onTick(rig)}
                            />
                        )}
                        <button
                            type="button"
                            data-row
                            disabled={busy}
                            title={findWords.find.open}
                            className={`grid w-full grid-cols-[26px_minmax(0,1fr)_auto] gap-x-2 py-2.5 pr-1 text-left hover:bg-ground ${pointed === at ? 'shadow-[inset_3px_0_0_var(--brass)]' : ''}`}
                            onClick={() => onOpen(rig)}
                            onPointerEnter={() => onPoint(at)}
                            onPointerLeave={() => onPoint(null)}
                            onFocus={() => onPoint(at)}
                            onBlur={() => onPoint(null)}
                        >
                            <span className="figures pt-3 pl-2 text-sm text-soft">{at + 1}</span>
                            <span className="min-w-0">
                                <span className={brief ? 'max-sm:hidden' : ''}>
                                    <Outline rig={rig} scale={scale} units={units} />
                                </span>
                                <span className={`block text-base font-semibold ${brief ? 'max-sm:text-sm' : ''}`}>
                                    {rig.title}
                                    {rig.alike > 1 && (
                                        <span
                                            className="figures ml-2 text-xs font-normal whitespace-nowrap text-soft"
                                            title={findWords.find.alikeTitle(rig.alike)}
                                        >
                                            {findWords.find.alike(rig.alike)}
                                        </span>
                                    )}
                                </span>
                                <span className="figures block text-xs text-brass">
                                    {rig.cameraName}
                                    {rig.setting !== '' && ` · ${rig.setting}`}
                                </span>
                                <span className={`block text-sm text-soft ${brief ? 'max-sm:hidden' : ''}`}>{rig.why}</span>
                                {rig.misses.length > 0 && (
                                    <span className="block text-sm font-medium">{findWords.find.misses(rig.misses.join(', '))}</span>
                                )}
                                {rig.toBuy.length > 0 && (
                                    <span className="block text-sm font-medium">{findWords.find.toBuy(rig.toBuy.join(', '))}</span>
                                )}
                                {rig.warnings.map((warning) => (
                                    <span
                                        key={warning}
                                        className={`mt-1 block border-l-[3px] border-ink pl-2 text-xs ${brief ? 'max-sm:hidden' : ''}`}
                                    >
                                        {warning}
                                    </span>
                                ))}
                            </span>
                            <span
                                className={`figures grid content-start justify-items-end gap-y-0.5 pt-2 text-lg whitespace-nowrap ${brief ? 'max-sm:pt-0 max-sm:text-sm' : ''}`}
                            >
                                <Figure
                                    value={rig.workingDistanceMm === null ? '—' : lengthDigits(rig.workingDistanceMm, units)}
                                    unit={`${units} ${findWords.find.off}`}
                                    sure={rig.workingDistanceHalfWidth === null ? null : lengthDigits(rig.workingDistanceHalfWidth, units)}
                                />
                                <Figure
                                    value={rig.magnification === null ? '—' : digits(rig.magnification)}
                                    unit="×"
                                    sure={rig.magnificationHalfWidth === null ? null : digits(rig.magnificationHalfWidth)}
                                />
                                <Figure
                                    value={rig.stopsLost === null ? '—' : stops(rig.stopsLost).replace(/ stops?$/, '')}
                                    unit={rig.stopsLost !== null && stops(rig.stopsLost).endsWith('stop') ? 'stop' : 'stops'}
                                />
                            </span>
                        </button>
                        {at >= toldWhole && (
                            <button
                                type="button"
                                aria-expanded={!brief}
                                aria-label={findWords.find.tellWhole(rig.title)}
                                className="absolute right-0 bottom-0 hidden min-h-11 px-3 text-xs text-beam underline underline-offset-2 max-sm:block"
                                onClick={() => setWhole(brief ? [...whole, rigKey(rig)] : whole.filter((each) => each !== rigKey(rig)))}
                            >
                                {brief ? findWords.find.whole : findWords.find.brief}
                            </button>
                        )}
                    </li>
                );
            })}
        </ol>
    );
});

/** So many rows are told whole on a small screen. */
const toldWhole = 3;

function Figure({ value, unit, sure = null }: { value: string; unit: string; sure?: string | null }) {
    return (
        <span className="grid grid-cols-[auto_52px] items-baseline gap-x-1.5">
            <span className="text-right">
                {sure !== null && <span className="mr-1 text-xs text-soft">±{sure}</span>} {value}
            </span>
            <span className="text-xs text-soft">{unit}</span>
        </span>
    );
}

function Outline({ rig, scale, units }: { rig: Rig; scale: number; units: Units }) {
    const axis = drawnHeight / 2;
    const subjectX = drawnWidth - 30;
    const { path, tipX, broken } = rigOutline(rig, scale, subjectX, axis);
    return (
        <svg width={drawnWidth} height={drawnHeight} className="mb-1 block max-w-full" aria-hidden="true">
            <path d={path} fill="none" stroke="var(--ink)" strokeWidth="1" strokeLinejoin="round" />
            <path d={`M${tipX + 2} ${axis}H${subjectX - 2}`} stroke="var(--soft)" strokeDasharray="2 3" />
            {broken && (
                <g>
                    <path d={`M${(tipX + subjectX) / 2 - 4} ${axis + 4}l3 -8m2 8l3 -8`} stroke="var(--ink)" fill="none" />
                    <text x={(tipX + subjectX) / 2} y={axis - 8} textAnchor="middle" className="figures" fontSize="10" fill="var(--soft)">
                        {rig.workingDistanceMm === null ? '' : length(rig.workingDistanceMm, units)}
                    </text>
                </g>
            )}
            <path d={`M${subjectX} ${axis - 12}v24`} stroke="var(--madder)" strokeWidth="1.5" />
        </svg>
    );
}

/** A rig and how it is set, so that it is known again in another answer. */
export const rigKey = (rig: Rig) => `${rig.cameraName} ${rig.title} ${rig.setting}`;

/** A range of magnifications that nothing reaches. */
export function gapsText(gaps: readonly (readonly number[])[], most = 3): string {
    const widest = [...gaps].sort(([a = 1, b = 1], [c = 1, d = 1]) => d / c - b / a).slice(0, most);
    const list = widest
        .sort(([a = 0], [b = 0]) => a - b)
        .map(([from = 0, to = 0]) => `${magnification(from)} and ${magnification(to)}`)
        .join(', ');
    return list + (gaps.length > most ? findWords.find.moreGaps(gaps.length - most) : '');
}
