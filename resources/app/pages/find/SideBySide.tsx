import type { Schema } from '../../api/client';
import { digits, fNumber, length, stops, type Units } from '../../ui/figures';
import { find as findWords } from '../../strings/find';
import { Button } from '../../ui/Button';
import { rigKey } from './FoundList';

type Rig = Schema['FoundRig'];

interface Props {
    rigs: readonly Rig[];
    units: Units;
    onTick: (rig: Rig) => void;
    onClear: () => void;
    /** Lays them side by side in full; null = one rig is nothing to compare. */
    onCompare: (() => void) | null;
    busy: boolean;
    trouble: string | null;
}

/** Which end of a figure is the better one; null = neither. */
interface Line {
    name: string;
    value: (rig: Rig) => number | null;
    tell: (value: number, units: Units) => string;
    better: 'more' | 'less' | null;
}

const say = findWords.find.side;

const lines: readonly Line[] = [
    { name: say.magnification, value: (rig) => rig.magnification, tell: (value) => `${digits(value)}×`, better: null },
    { name: say.field, value: (rig) => rig.fieldWidthMm, tell: length, better: null },
    { name: say.room, value: (rig) => rig.workingDistanceMm, tell: length, better: 'more' },
    { name: say.effective, value: (rig) => rig.effectiveAperture, tell: fNumber, better: null },
    { name: say.stops, value: (rig) => rig.stopsLost, tell: stops, better: 'less' },
    { name: say.slice, value: (rig) => rig.depthOfFieldMm, tell: length, better: 'more' },
    { name: say.detail, value: (rig) => rig.detailMm, tell: length, better: 'less' },
    { name: say.mass, value: (rig) => rig.massG, tell: (value) => `${Math.round(value)} g`, better: 'less' },
    { name: say.price, value: (rig) => rig.price, tell: (value) => digits(value), better: 'less' },
    { name: say.joints, value: (rig) => rig.joints, tell: String, better: 'less' },
];

/** Rigs that were ticked, in columns; in each line the best stands out, by weight and a mark. */
export function SideBySide({ rigs, units, onTick, onClear, onCompare, busy, trouble }: Props) {
    return (
        <section aria-label={findWords.find.ticked} className="border-b border-ink py-2">
            <div className="flex items-baseline justify-between">
                <h2 className="text-sm font-semibold">{findWords.find.ticked}</h2>
                <span>
                    {onCompare && (
                        <Button bare disabled={busy} onClick={onCompare}>
                            {findWords.find.compare}
                        </Button>
                    )}
                    <Button bare onClick={onClear}>
                        {findWords.find.untick}
                    </Button>
                </span>
            </div>
            {trouble !== null && (
                <p role="alert" className="border-l-[3px] border-ink pl-2 text-sm">
                    {trouble}
                </p>
            )}
            <div className="slim-scroll overflow-x-auto">
                <table className="text-xs" aria-label={findWords.find.ticked}>
                    <thead>
                        <tr className="align-bottom">
                            <td />
                            {rigs.map((rig) => (
                                <th key={rigKey(rig)} scope="col" className="max-w-[150px] min-w-[96px] py-1 pl-3 text-left font-semibold">
                                    {rig.title}
                                    <button
                                        type="button"
                                        className="px-1 text-soft hover:text-ink"
                                        aria-label={findWords.find.drop(rig.title)}
                                        onClick={() => onTick(rig)}
                                    >
                                        ×
                                    </button>
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {lines.map((line) => {
                            const values = rigs.map(line.value);
                            const best = bestOf(values, line.better);
                            return (
                                <tr key={line.name} className="border-t border-line">
                                    <th scope="row" className="py-0.5 pr-2 text-left font-normal whitespace-nowrap text-soft">
                                        {line.name}
                                    </th>
                                    {values.map((value, at) => (
                                        <td
                                            key={at}
                                            className={`figures pl-3 whitespace-nowrap ${best !== null && value === best ? 'font-semibold text-verdigris' : ''}`}
                                        >
                                            {value === null ? '—' : line.tell(value, units)}
                                            {best !== null && value === best && ' ◂'}
                                        </td>
                                    ))}
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
            </div>
        </section>
    );
}

/** Figures this near to each other are alike, as a share. */
const alike = 0.01;

/** The best of several figures; null where there is none, or all are alike. */
export function bestOf(values: readonly (number | null)[], better: 'more' | 'less' | null): number | null {
    const known = values.filter((value): value is number => value !== null);
    if (better === null || known.length < 2) return null;
    const [least, most] = [Math.min(...known), Math.max(...known)];
    // What is told by the same figure is no difference.
    if (most - least <= alike * Math.abs(most)) return null;
    return better === 'more' ? most : least;
}
