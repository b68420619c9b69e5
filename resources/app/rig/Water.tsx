import type { RigView } from '../api/client';
import { strings } from '../strings/index';
import { digits, lengthDigits, type Units } from '../ui/figures';

const say = strings.water;

/** What a rig with a port does above water and below, side by side; nothing where there is no port. */
export function Water({ rows, units }: { rows: RigView['water']; units: Units }) {
    if (rows.length === 0) return null;
    const mm = (value: number | null) => (value === null ? '∞' : lengthDigits(value, units));
    const lines: readonly [string, string, (row: RigView['water'][number]) => string][] = [
        [strings.readings.magnification, '×', (row) => (row.magnification === null ? '–' : digits(row.magnification))],
        [strings.readings.workingDistance, units, (row) => (row.magnification === null ? '–' : mm(row.workingDistanceMm))],
        [strings.readings.field, units, (row) => (row.magnification === null ? '–' : mm(row.fieldWidthMm))],
        [say.nearest, units, (row) => mm(row.nearestMm === null ? null : Math.max(0, row.nearestMm))],
        [say.furthest, units, (row) => mm(row.furthestMm)],
        [say.largest, '×', (row) => (row.greatestMagnification === null ? '–' : digits(row.greatestMagnification))],
    ];
    return (
        <section aria-label={say.title} className="border-b border-line py-2">
            <table className="w-full text-sm">
                <caption className="pb-1 text-left font-semibold">{say.title}</caption>
                <thead>
                    <tr className="border-b border-line text-xs text-soft">
                        <td />
                        {rows.map((row) => (
                            <th key={row.where} scope="col" className="py-1 pl-2 text-right font-normal">
                                {say.where[row.where]}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {lines.map(([name, unit, tell]) => (
                        <tr key={name}>
                            <th scope="row" className="py-0.5 text-left font-normal">
                                {name} <span className="text-xs text-soft">{unit}</span>
                            </th>
                            {rows.map((row) => (
                                <td key={row.where} className="figures py-0.5 pl-2 text-right">
                                    {tell(row)}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}
